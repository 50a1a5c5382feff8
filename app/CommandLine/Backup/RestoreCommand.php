<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Backup;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Files\QuestionFiles;
use Zetema\App\Shared\Dialect\SqliteFile;
use Zetema\Core\Data\Fields;

#[AsCommand(
    'zetema:restore',
    'Puts a backup in the place of what is there, which is kept beside; only where nothing else has the database open',
),]
final readonly class RestoreCommand
{
    public function __construct(private Installation $installation)
    {
    }

    public function __invoke(OutputInterface $output, #[Argument('The folder that zetema:backup wrote')] string $source): int
    {
        $why = $this->restore($source);
        if ($why !== null) {
            $output->writeln($why);

            return 1;
        }
        QuestionFiles::print($output, ['restored' => $source, 'before' => $this->installation->database() . '.before']);

        return 0;
    }

    /** @return string|null why it is not restored; then nothing was changed */
    private function restore(string $source): ?string
    {
        $copy = $source . '/' . Installation::DATABASE;
        $manifest = @file_get_contents($source . '/' . Installation::MANIFEST);
        if ($manifest === false || !is_file($copy)) {
            return sprintf('%s is no backup: zetema:backup writes %s and %s.', $source, Installation::DATABASE, Installation::MANIFEST);
        }
        if (hash_file('sha256', $copy) !== Fields::ofJson($manifest)->text('database')) {
            return 'The database of this backup is not the one that was backed up: it was changed or cut off since.';
        }
        $backup = new SqliteFile($copy);
        if (!$backup->isWhole()) {
            return 'The database of this backup is damaged.';
        }
        $named = Installation::named($backup->db);
        unset($backup);
        $database = $this->installation->database();
        if (is_file($database) && !self::isAlone($database)) {
            return 'Something else has the database open: the server, bin/work, or another command. End them first.';
        }
        $missing = Installation::copy($named, $source . '/media', $this->installation->media);
        if ($missing !== []) {
            return sprintf('%d files of this backup are missing or damaged, so it is not restored.', count($missing));
        }
        if (!copy($copy, $database . '.part') || hash_file('sha256', $database . '.part') !== hash_file('sha256', $copy)) {
            @unlink($database . '.part');

            return 'There is no room beside the database.';
        }
        foreach (['-wal', '-shm'] as $beside) {
            @unlink($database . $beside);
        }
        if (is_file($database)) {
            rename($database, $database . '.before');
        }
        rename($database . '.part', $database);

        return null;
    }

    /**
     * Leaving the write-ahead log is allowed to whoever has the database for itself, and to nobody else; all of it is in the database then.
     */
    private static function isAlone(string $database): bool
    {
        try {
            return (new SqliteFile($database, patience: 500))->isAlone();
        } catch (\PDOException) {
            return false;
        }
    }
}
