<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Files\FileSources;
use Zetema\App\CommandLine\Files\QuestionFiles;
use Zetema\Core\Marking\Table\WhatScoresWhat;

#[AsCommand('zetema:table', 'What scores what: responses with outcome, points by attempt, and feedback')]
final class TableCommand
{
    public function __invoke(
        OutputInterface $output,
        #[Argument('A file of questions, or -')]
        string $file,
        #[Option('Name or number of the question')]
        string $question = '',
        #[Option(FileSources::FROM)]
        ?string $from = null,
        #[Option('Another spelling of --from')]
        ?string $as = null,
    ): int {
        $texts = new QuestionFiles(FileSources::said($from ?? $as));
        $found = OneQuestion::of($texts, $file, $question);
        $rows = [];
        foreach (WhatScoresWhat::table($found, $texts->effective($found)) as $row) {
            $rows[] = [...$row, 'response' => $row['response']->toData()];
        }
        QuestionFiles::print($output, $rows);

        return 0;
    }
}
