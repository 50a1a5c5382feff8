<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Files\TextFiles;
use Zetema\Core\Marking\Guessing\Guessing;
use Zetema\Core\Marking\Guessing\TooManyToCount;

#[AsCommand('zetema:guess', 'The exact distribution of points for a blind guess')]
final class GuessCommand
{
    public function __invoke(OutputInterface $output, #[Argument('A file in the text format, or -')] string $file, #[Option('Name or number of the question')] string $question = ''): int
    {
        $texts = new TextFiles();
        $found = OneQuestion::of($texts, $file, $question);
        try {
            $rows = (new Guessing())->of($found, $texts->effective($found));
        } catch (TooManyToCount $e) {
            TextFiles::print($output, ['problems' => [$e->getMessage()]]);

            return 1;
        }
        TextFiles::print($output, array_map(static fn (array $row): array => ['points' => (string) $row['points'], 'chance' => (string) $row['chance']], $rows));

        return 0;
    }
}
