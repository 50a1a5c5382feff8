<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\Core\Exchange\TextFormat\Writer;

#[AsCommand('zetema:write', 'Writes what was read out again, in the normal form of the text format')]
final class WriteCommand
{
    public function __invoke(OutputInterface $output, #[Argument('A file in the text format, or -')] string $file): int
    {
        $texts = new TextFiles();
        $writer = new Writer();
        $text = '';
        foreach ($texts->questions([$file]) as $question) {
            $text .= $writer->question($question);
        }
        foreach ($texts->pages() as $page) {
            $text .= $writer->page($page);
        }
        $head = ($texts->bank() === null ? '' : $writer->bank($texts->bank())) . $writer->bankSettings($texts->bankSettings());
        $output->write(ltrim($head . $text, "\n"), false, OutputInterface::OUTPUT_RAW);
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        foreach ($texts->problems() as $problem) {
            $errors->writeln(sprintf('%s, line %d, column %d: %s', $problem['file'], $problem['line'], $problem['column'], $problem['message']), OutputInterface::OUTPUT_RAW);
        }

        return $texts->problems() === [] ? 0 : 1;
    }
}
