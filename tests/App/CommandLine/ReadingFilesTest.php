<?php

declare(strict_types=1);

namespace Zetema\Tests\App\CommandLine;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;
use Zetema\Core\Data\Fields;

/** The other ways in and out by the command line, as scripts use them. */
final class ReadingFilesTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir() . '/zetema-files-' . bin2hex(random_bytes(6));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        (new Filesystem())->remove($this->folder);
    }

    public function test_a_paper_is_told_with_why_what_was_kept_and_what_stands_aside(): void
    {
        [$code, $json] = $this->console('zetema:read', '--as=paper', $this->file('a.txt', "Guild paper\n\n1. Who lays?\na) drone\nb) queen *\n\n2. Who\n  feeds?\n"));
        $question = $json->objects('questions')[0];

        self::assertSame(1, $code, 'there is a problem');
        self::assertSame(['Who lays?', 3, 'key B: marked'], [$question->text('stem'), $question->integer('line'), $question->text('why')]);
        self::assertSame([['line' => 7, 'toLine' => 8, 'text' => "2. Who\n  feeds?"]], array_map(static fn (Fields $k): array => $k->raw(), $json->objects('kept')));
        self::assertSame([['line' => 1, 'text' => 'Guild paper']], array_map(static fn (Fields $a): array => $a->raw(), $json->objects('aside')));
        self::assertSame(['utf-8', [], 7], [$json->text('encoding'), $json->texts('unread'), $json->objects('problems')[0]->integer('line')]);
    }

    public function test_a_table_is_told_with_rows_columns_and_headings(): void
    {
        [$code, $json] = $this->console('zetema:read', '--as=table', $this->file('a.csv', "Question,Note,Answer,Points\nWho?,x,she,2\nWhat?,y,it,many\n"));

        self::assertSame([1, ['Note']], [$code, $json->texts('unread')]);
        self::assertSame([3, 4, 'Points'], [$json->objects('problems')[0]->integer('line'), $json->objects('problems')[0]->integer('column'), $json->objects('problems')[0]->text('heading')]);
        self::assertSame("Question: What?\nNote: y\nAnswer: it\nPoints: many", $json->objects('kept')[0]->text('text'));
    }

    /** @return iterable<string, array{string, string, list<string>, string}> name and bytes of a file, options, the stem that is read */
    public static function files(): iterable
    {
        yield 'HTML by its name' => ['a.htm', '<p>1. Wer <b>legt</b>?</p><p>Answer: sie</p>', ['--as=paper'], 'Wer **legt**?'];
        yield 'tags in a text are text' => ['a.txt', "1. Wer <b>legt</b>?\nAnswer: sie", ['--as=paper'], 'Wer <b>legt</b>?'];
        yield 'western, as it looks' => ['a.txt', "1. Wer f\xFCttert?\nAnswer: sie", ['--as=paper'], 'Wer füttert?'];
        yield 'in an encoding that is said' => ['a.txt', mb_convert_encoding("1. Wer?\nAnswer: sie", 'UTF-16LE', 'UTF-8'), ['--as=paper', '--encoding=utf-16le'], 'Wer?'];
        yield 'a table in western' => ['a.csv', "Question;Answer\nWer f\xFCttert?;sie", ['--as=table'], 'Wer füttert?'];
        yield 'a table mapped by a file' => ['a.csv', "Wording;Reply\nWer?;sie", ['--as=table', '--map=MAP'], 'Wer?'];
    }

    /** @param list<string> $options */
    #[DataProvider('files')]
    public function test_files_of_every_sort_are_read(string $name, string $bytes, array $options, string $stem): void
    {
        $map = $this->file('map.json', '{"columns":{"stem":"Wording","key":2}}');
        [$code, $json] = $this->console('zetema:read', ...str_replace('MAP', $map, $options), ...[$this->file($name, $bytes)]);

        self::assertSame([0, $stem], [$code, $json->objects('questions')[0]->text('stem')]);
    }

    public function test_a_spreadsheet_comes_by_standard_input_too(): void
    {
        $file = $this->folder . '/a.xlsx';
        $zip = new \ZipArchive();
        $zip->open($file, \ZipArchive::CREATE);
        $cell = static fn (string $at, string $text): string => "<c r=\"$at\" t=\"inlineStr\"><is><t>$text</t></is></c>";
        $zip->addFromString('xl/workbook.xml', '<workbook xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="A" r:id="r1"/></sheets></workbook>');
        $zip->addFromString('xl/_rels/workbook.xml.rels', '<Relationships><Relationship Id="r1" Target="worksheets/sheet1.xml"/></Relationships>');
        $zip->addFromString(
            'xl/worksheets/sheet1.xml',
            '<worksheet><sheetData><row r="1">' . $cell('A1', 'Question') . $cell('B1', 'Answer') . '</row><row r="3">' . $cell('A3', 'Who?') . $cell('B3', 'she') . '</row></sheetData></worksheet>',
        );
        $zip->close();
        foreach ([[$file, ''], ['-', (string) file_get_contents($file)]] as [$name, $input]) {
            $process = new Process(['php', 'bin/console', 'zetema:read', '--as=table', $name], dirname(__DIR__, 3), input: $input);
            $process->run();
            $read = Fields::ofJson($process->getOutput())->objects('questions')[0];

            self::assertSame(['Who?', 3], [$read->text('stem'), $read->integer('line')]);
        }
    }

    /** @return iterable<string, array{list<string>}> */
    public static function wrong(): iterable
    {
        yield 'another way in' => [['zetema:read', '--as=riddle', 'FILE']];
        yield 'another encoding' => [['zetema:read', '--as=paper', '--encoding=morse', 'FILE']];
        yield 'no file' => [['zetema:read', '--as=paper']];
        yield 'a file that is not there' => [['zetema:read', '--as=table', '/no/such/file']];
        yield 'a mapping that is no JSON' => [['zetema:read', '--as=table', '--map=FILE', 'FILE']];
        yield 'a mapping of what is no column' => [['zetema:read', '--as=table', '--map=BAD', 'FILE']];
        yield 'another way out' => [['zetema:write', '--as=riddle', 'FILE']];
    }

    /** @param list<string> $arguments */
    #[DataProvider('wrong')]
    public function test_wrong_use_ends_with_2_and_writes_no_document(array $arguments): void
    {
        $places = ['FILE' => $this->file('a.txt', "1. Who?\nAnswer: she"), 'BAD' => $this->file('bad.json', '{"columns":{"riddle":1}}')];
        $process = new Process(['php', 'bin/console', ...array_map(static fn (string $a): string => strtr($a, $places), $arguments)], dirname(__DIR__, 3));
        $process->run();

        self::assertSame([2, ''], [$process->getExitCode(), $process->getOutput()]);
    }

    public function test_a_bank_goes_out_as_a_table_and_what_that_cannot_say_to_the_side(): void
    {
        $file = $this->file('a.zet.txt', "one: Who?\n  name: q\n  yes: she\n  no: he\n  attempts: 2\n\nrating: How sure?\n  scale: 1 to 5\n");
        $process = new Process(['php', 'bin/console', 'zetema:write', '--as=table', $file], dirname(__DIR__, 3));
        $process->run();

        self::assertSame(0, $process->getExitCode());
        self::assertCount(2, explode("\n", trim($process->getOutput())), 'the headings, and one row');
        self::assertSame(['q: a table cannot say “attempts: 2”', '2: a table cannot say “rating: How sure?”', '2: a table cannot say “scale: 1 to 5”'], explode("\n", trim($process->getErrorOutput())));
        [$code, $json] = $this->console('zetema:read', '--as=table', $this->file('out.csv', $process->getOutput()));
        self::assertSame([0, 'q'], [$code, $json->objects('questions')[0]->text('name')]);
    }

    public function test_a_text_goes_out_as_an_archive_and_comes_in_again(): void
    {
        file_put_contents($this->folder . '/hut.svg', '<svg xmlns="http://www.w3.org/2000/svg"/>');
        file_put_contents($this->folder . '/egg.svg', '<svg xmlns="http://www.w3.org/2000/svg"/>');
        $file = $this->file(
            'a.zet.txt',
            "bank: Bees\n\npage: eggs\n  reads: They stand. ![An egg](egg.svg)\n\nobjective: Hives > Huts\n\none: Which? ![A hut](hut.svg)\n  name: q\n  tags: a, b\n  status: cleared\n  points: 2\n  yes: she\n  no: he\n",
        );
        $process = new Process(['php', 'bin/console', 'zetema:write', '--as=archive', $file], dirname(__DIR__, 3));
        $process->run();
        self::assertSame(0, $process->getExitCode(), $process->getErrorOutput());
        $zip = new \ZipArchive();
        $zip->open($this->file('out.zip', $process->getOutput()));
        self::assertSame(['questions/0001.json', 'archive.json', 'schema.json', 'media/hut.svg', 'media/egg.svg'], array_map(static fn (int $i): string => (string) $zip->getNameIndex($i), range(0, 4)));
        $zip->close();
        [$code, $json] = $this->console('zetema:read', '--as=archive', $this->folder . '/out.zip');
        [, $before] = $this->console('zetema:read', $file);
        self::assertSame(0, $code);
        self::assertEquals($before->objects('questions')[0]->raw(), array_diff_key($json->objects('questions')[0]->raw(), ['line' => 1, 'why' => 1]));
        self::assertSame('They stand. ![An egg](egg.svg)', $json->objects('pages')[0]->text('reads'));
    }

    /** @return array{int, Fields} */
    private function console(string ...$arguments): array
    {
        $process = new Process(['php', 'bin/console', ...$arguments], dirname(__DIR__, 3));
        $process->run();

        return [(int) $process->getExitCode(), Fields::ofJson($process->getOutput())];
    }

    private function file(string $name, string $bytes): string
    {
        file_put_contents($this->folder . '/' . $name, $bytes);

        return $this->folder . '/' . $name;
    }
}
