<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Files\FileSources;
use Zetema\App\CommandLine\Files\QuestionFiles;
use Zetema\Core\Marking\Guessing\Guessing;
use Zetema\Core\Marking\Guessing\TooManyToCount;

#[AsCommand('zetema:guess', 'The exact distribution of points for a blind guess')]
final class GuessCommand
{
    public function __invoke(
        OutputInterface $output,
        #[Argument('A file of questions, or -')]
        string $file,
        #[Option('Name or number of the question')]
        string $question = '',
        #[Option(FileSources::FROM)]
        ?string $from = null,
    ): int {
        $texts = new QuestionFiles(FileSources::said($from));
        $found = OneQuestion::of($texts, $file, $question);
        try {
            $rows = (new Guessing())->of($found, $texts->effective($found));
        } catch (TooManyToCount $e) {
            QuestionFiles::print($output, ['problems' => [$e->getMessage()]]);

            return 1;
        }
        QuestionFiles::print(
            $output,
            array_map(static fn (array $row): array => ['points' => (string) $row['points'], 'chance' => (string) $row['chance']], $rows),
        );

        return 0;
    }
}
