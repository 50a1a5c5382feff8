<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Files\TextFiles;
use Zetema\Core\Marking\Table\WhatScoresWhat;

#[AsCommand('zetema:table', 'What scores what: responses with outcome, points by attempt, and feedback')]
final class TableCommand
{
    public function __invoke(OutputInterface $output, #[Argument('A file in the text format, or -')] string $file, #[Option('Name or number of the question')] string $question = ''): int
    {
        $texts = new TextFiles();
        $found = OneQuestion::of($texts, $file, $question);
        $rows = [];
        foreach (WhatScoresWhat::table($found, $texts->effective($found)) as $row) {
            $rows[] = [...$row, 'response' => $row['response']->toData()];
        }
        TextFiles::print($output, $rows);

        return 0;
    }
}
