<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Backup;

use Psr\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Files\QuestionFiles;
use Zetema\App\Shared\Dialect\SqliteFile;

#[AsCommand('zetema:backup', 'Backs everything up while it runs: the database as it stands at one moment, then the files that it names')]
final readonly class BackupCommand
{
    public function __construct(private Installation $installation, private ClockInterface $clock)
    {
    }

    public function __invoke(OutputInterface $output, #[Argument('A folder that is empty or not there yet')] string $target): int
    {
        if (is_dir($target) && array_diff((array) scandir($target), ['.', '..']) !== []) {
            $output->writeln(sprintf('%s is not empty. Each backup has a folder of its own.', $target));

            return 1;
        }
        if (!is_dir($target) && !@mkdir($target, 0o770, true)) {
            $output->writeln(sprintf('%s cannot be made.', $target));

            return 1;
        }
        $copy = $target . '/' . Installation::DATABASE;
        (new SqliteFile($this->installation->database(), patience: 8_000))->copyTo($copy);
        $backup = (new SqliteFile($copy))->db;
        // Files never change and never go, so those that the copy names are all there now.
        $missing = Installation::copy(Installation::named($backup), $this->installation->media, $target . '/media');
        $manifest = [
            'made' => $this->clock->now()->format(\DATE_ATOM),
            'database' => hash_file('sha256', $copy),
            'rows' => Installation::counts($backup),
            'files' => count(Installation::named($backup)) - count($missing),
            'missing' => $missing,
        ];
        file_put_contents($target . '/' . Installation::MANIFEST, json_encode($manifest, JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR));
        QuestionFiles::print($output, [
            'target' => $target,
            'rows' => array_sum($manifest['rows']),
            'files' => $manifest['files'],
            'missing' => $missing,
        ]);

        return $missing === [] ? 0 : 1;
    }
}
