<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Exception\InvalidArgumentException;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Files\TextFiles;
use Zetema\Core\Exchange\Table\TableWriter;
use Zetema\Core\Exchange\TextFormat\Writer;

#[AsCommand('zetema:write', 'Writes what was read out again, in the normal form of the text format or as a table')]
final class WriteCommand
{
    public function __invoke(OutputInterface $output, #[Argument('A file in the text format, or -')] string $file, #[Option('text or table')] string $as = 'text'): int
    {
        if (!in_array($as, ['text', 'table'], true)) {
            throw new InvalidArgumentException(sprintf('Nothing is written as “%s”; text and table are.', $as));
        }
        $texts = new TextFiles();
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $as === 'table' ? self::asTable($texts, $file, $output, $errors) : self::asText($texts, $file, $output);
        foreach ($texts->problems() as $problem) {
            $errors->writeln(sprintf('%s, line %d, column %d: %s', $problem['file'], $problem['line'], $problem['column'], $problem['message']), OutputInterface::OUTPUT_RAW);
        }

        return $texts->problems() === [] ? 0 : 1;
    }

    /** What a row cannot say is told for each question. */
    private static function asTable(TextFiles $texts, string $file, OutputInterface $output, OutputInterface $errors): void
    {
        $writer = new TableWriter();
        $output->write(TableWriter::headingRow(), false, OutputInterface::OUTPUT_RAW);
        foreach ($texts->questions([$file]) as $number => $question) {
            $output->write($writer->row($question) ?? '', false, OutputInterface::OUTPUT_RAW);
            foreach ($writer->missing($question) as $line) {
                $errors->writeln(sprintf('%s: a table cannot say “%s”', $question->name ?? (string) $number, $line), OutputInterface::OUTPUT_RAW);
            }
        }
    }

    private static function asText(TextFiles $texts, string $file, OutputInterface $output): void
    {
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
    }
}
