<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine;

use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Exception\InvalidArgumentException;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Zetema\App\CommandLine\Files\FileSources;
use Zetema\App\CommandLine\Files\QuestionFiles;
use Zetema\App\Shared\FixedZip;
use Zetema\Core\Exchange\Archive\ArchiveWriter;
use Zetema\Core\Exchange\Table\TableWriter;
use Zetema\Core\Exchange\TextFormat\Writer;

#[AsCommand('zetema:write', 'Writes what was read out again: in the normal form of the text format, as a table, or as an archive')]
final class WriteCommand
{
    public function __invoke(
        OutputInterface $output,
        #[Argument('A file of questions, or -')]
        string $file,
        #[Option('What is written: text, table or archive')]
        string $as = 'text',
        #[Option(FileSources::FROM)]
        ?string $from = null,
    ): int {
        if (!in_array($as, ['text', 'table', 'archive'], true)) {
            throw new InvalidArgumentException(sprintf('Nothing is written as “%s”; text, table and archive are.', $as));
        }
        $texts = new QuestionFiles(FileSources::said($from));
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        match ($as) {
            'table' => self::asTable($texts, $file, $output, $errors),
            'archive' => self::asArchive($texts, $file, $output),
            default => self::asText($texts, $file, $output),
        };
        foreach ($texts->problems() as $problem) {
            $errors->writeln(
                sprintf('%s, line %d, column %d: %s', $problem['file'], $problem['line'], $problem['column'], $problem['message']),
                OutputInterface::OUTPUT_RAW,
            );
        }

        return $texts->problems() === [] ? 0 : 1;
    }

    /** What a row cannot say is told for each question. */
    private static function asTable(QuestionFiles $texts, string $file, OutputInterface $output, OutputInterface $errors): void
    {
        $writer = new TableWriter();
        $output->write(TableWriter::headingRow(), false, OutputInterface::OUTPUT_RAW);
        foreach ($texts->questions([$file]) as $number => $question) {
            $output->write($writer->row($question, $texts->bankSettingsOf($question)) ?? '', false, OutputInterface::OUTPUT_RAW);
            foreach ($writer->missing($question) as $line) {
                $errors->writeln(
                    sprintf('%s: a table cannot say “%s”', $question->name ?? (string) $number, $line),
                    OutputInterface::OUTPUT_RAW,
                );
            }
        }
    }

    /** A zip on standard output, with the pictures that lie beside the text. */
    private static function asArchive(QuestionFiles $texts, string $file, OutputInterface $output): void
    {
        $path = tempnam(sys_get_temp_dir(), 'zetema');
        $about = static fn (): array => [$texts->bank() ?? 'A bank', $texts->bankSettings(), $texts->pages()];
        if (
            $path === false ||
            !FixedZip::write($path, ArchiveWriter::files($texts->questions([$file]), $about, QuestionFiles::pictures([$file])))
        ) {
            throw new \RuntimeException('There is no room to write an archive.');
        }
        $output->write((string) file_get_contents($path), false, OutputInterface::OUTPUT_RAW);
        unlink($path);
    }

    private static function asText(QuestionFiles $texts, string $file, OutputInterface $output): void
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
