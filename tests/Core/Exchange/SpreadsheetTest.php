<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Core\Exchange\Aside;
use Zetema\Core\Exchange\Table\Mapping;
use Zetema\Core\Exchange\Table\TableSource;
use Zetema\Core\Exchange\Table\XlsxStyles;

final class SpreadsheetTest extends TestCase
{
    use TemporaryFile;

    public const HEADINGS = '<row r="1"><c r="A1" t="inlineStr"><is><t>Question</t></is></c><c r="B1" t="inlineStr"><is><t>Answer</t></is></c></row>';

    /** @return iterable<string, array{string, list<string>}> cells of the answer, and what is read */
    public static function cells(): iterable
    {
        $number = static fn (string $value): array => ["number: When? / answer: $value"];
        yield 'a shared string' => ['<c r="B2" t="s"><v>1</v></c>', ['text: When? / answer: in spring']];
        yield 'rich text' => ['<c r="B2" t="inlineStr"><is><r><t>in </t></r><r><rPr><b/></rPr><t>spring</t></r></is></c>', ['text: When? / answer: in spring']];
        yield 'a string of a formula' => ['<c r="B2" t="str"><f>A1&amp;"x"</f><v>in spring</v></c>', ['text: When? / answer: in spring']];
        yield 'a number' => ['<c r="B2"><v>0.1</v></c>', $number('0.1')];
        yield 'a number as it is stored' => ['<c r="B2"><v>0.30000000000000004</v></c>', $number('0.30000000000000004')];
        yield 'a number with a power' => ['<c r="B2"><v>1.5E3</v></c>', $number('1500')];
        yield 'true' => ['<c r="B2" t="b"><v>1</v></c>', ['true: When?']];
        yield 'a date' => ['<c r="B2" s="1"><v>46161</v></c>', ['text: When? / answer: 2026-05-19']];
        yield 'a date of a format of its own' => ['<c r="B2" s="2"><v>46161.5</v></c>', ['text: When? / answer: 2026-05-19']];
        yield 'no date, for all its letters' => ['<c r="B2" s="3"><v>12</v></c>', $number('12')];
        yield 'a formula with its value' => ['<c r="B2"><f>6*2</f><v>12</v></c>', $number('12')];
        yield 'a formula without' => ['<c r="B2"><f>6*2</f></c>', ['!2: without a stored value']];
        yield 'a cell far to the right' => ['<c r="B2"><v>12</v></c><c r="D2"><v>3</v></c>', ['!2: beyond the last heading']];
    }

    /** @param list<string> $read */
    #[DataProvider('cells')]
    public function test_cells_are_read(string $cells, array $read): void
    {
        $this->make(self::HEADINGS . '<row r="2"><c r="A2" t="s"><v>0</v></c>' . $cells . '</row>');
        $off = ReadOff::of(TableSource::ofSpreadsheet($this->file));

        self::assertTrue(ReadOff::fits($off, $read), implode("\n", $off));
    }

    public function test_rows_count_as_in_the_sheet_and_further_sheets_stand_aside(): void
    {
        $this->make(self::HEADINGS . '<row r="7"><c r="B7"><v>3</v></c></row>', others: ['Notes' => '<row r="1"><c r="A1"><v>1</v></c></row>']);
        $source = TableSource::ofSpreadsheet($this->file);
        $found = iterator_to_array($source->questions(), false);

        self::assertSame([7, 'Question', 'Answer: 3'], [$found[0]->problems[0]->line, $found[0]->problems[0]->heading, $found[0]->kept]);
        self::assertSame(['Notes'], array_map(static fn (Aside $a): string => $a->text, $source->report()->aside));
    }

    public function test_an_empty_sheet_is_passed_over_and_another_can_be_chosen(): void
    {
        $row = '<row r="2"><c r="A2" t="s"><v>0</v></c><c r="B2"><v>5</v></c></row>';
        $this->make('', others: ['Bank' => self::HEADINGS . $row, 'Old' => self::HEADINGS . str_replace('5', '6', $row)]);

        self::assertSame(['number: When? / answer: 5'], ReadOff::of(TableSource::ofSpreadsheet($this->file)));
        self::assertSame(['number: When? / answer: 6'], ReadOff::of(TableSource::ofSpreadsheet($this->file, Mapping::of(Fields::of(['sheet' => 'Old'])))));
        self::assertTrue(ReadOff::fits(ReadOff::of(TableSource::ofSpreadsheet($this->file, Mapping::of(Fields::of(['sheet' => 'New'])))), ['!1: no sheet “New”']));
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        yield 'no zip' => ['PK only by name', 'cannot be opened'];
        yield 'a document type' => ['<!DOCTYPE x [<!ENTITY a SYSTEM "file:///etc/passwd">]><worksheet/>', 'DOCTYPE'];
        yield 'no whole XML' => ['<worksheet><sheetData><row r="1">', 'no whole XML'];
        yield 'a part with nothing in it' => [' ', 'no whole XML'];
    }

    #[DataProvider('refused')]
    public function test_what_cannot_be_opened_is_a_problem_at_row_1(string $sheet, string $why): void
    {
        if (str_starts_with($sheet, 'PK')) {
            file_put_contents($this->file, $sheet);
        } else {
            $this->make('', raw: $sheet);
        }
        self::assertTrue(ReadOff::fits($off = ReadOff::of(TableSource::ofSpreadsheet($this->file)), ["!1: $why"]), implode("\n", $off));
    }

    /** @return iterable<string, array{string, string}> */
    public static function numbers(): iterable
    {
        foreach (
            [
                '12' => '12',
                '0.1' => '0.1',
                '1E-3' => '0.001',
                '1.5E3' => '1500',
                '-2.50' => '-2.5',
                '123456789012' => '123456789012',
                '1e21' => '1000000000000000000000',
                '3.1400000000000001' => '3.14',
                str_repeat('9', 400) => str_repeat('9', 400),
            ] as $stored => $shown
        ) {
            yield (string) $stored => [(string) $stored, $shown];
        }
    }

    #[DataProvider('numbers')]
    public function test_numbers_are_written_in_their_shortest_form(string $stored, string $shown): void
    {
        self::assertSame($shown, XlsxStyles::number($stored));
    }

    /** @param array<string, string> $others rows of further sheets, by name */
    private function make(string $rows, array $others = [], ?string $raw = null): void
    {
        $zip = new \ZipArchive();
        self::assertTrue($zip->open($this->file, \ZipArchive::OVERWRITE));
        $sheets = $links = '';
        $main = 'xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"';
        foreach (['Sheet1' => $rows, ...$others] as $name => $of) {
            $n = substr_count($sheets, '<sheet ') + 1;
            $sheets .= sprintf('<sheet name="%s" sheetId="%d" r:id="rId%d"/>', $name, $n, $n);
            $links .= sprintf('<Relationship Id="rId%d" Target="worksheets/sheet%d.xml"/>', $n, $n);
            $zip->addFromString("xl/worksheets/sheet$n.xml", $raw ?? "<worksheet $main><sheetData>$of</sheetData></worksheet>");
        }
        $zip->addFromString('xl/workbook.xml', "<workbook $main xmlns:r=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships\"><sheets>$sheets</sheets></workbook>");
        $zip->addFromString('xl/_rels/workbook.xml.rels', "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\">$links</Relationships>");
        $zip->addFromString('xl/sharedStrings.xml', "<sst $main><si><t>When?</t></si><si><t>in spring</t></si></sst>");
        $zip->addFromString(
            'xl/styles.xml',
            "<styleSheet $main><numFmts><numFmt numFmtId=\"170\" formatCode=\"dd\\.mm\\.yyyy\"/><numFmt numFmtId=\"171\" formatCode='0.0&quot; days&quot;'/></numFmts><cellXfs><xf numFmtId=\"0\"/><xf numFmtId=\"14\"/><xf numFmtId=\"170\"/><xf numFmtId=\"171\"/></cellXfs></styleSheet>",
        );
        $zip->close();
    }
}
