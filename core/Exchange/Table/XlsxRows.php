<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Table;

use Zetema\Core\Exchange\Aside;
use Zetema\Core\Exchange\Written\Characters;
use Zetema\Core\Exchange\Zip\RefusedZip;
use Zetema\Core\Exchange\Zip\SafeZip;

/** Rows of the first sheet of an .xlsx file that has cells; its formulas count by the value that is stored with them. */
final class XlsxRows implements Rows
{
    private const LARGEST = 50_000_000;
    private const FOLDER = 'xl/';

    private readonly SafeZip $zip;
    private readonly XlsxStyles $styles;
    /** @var list<string> */
    private array $strings = [];
    /** @var list<array{string, string}> names and files of the sheets */
    private array $sheets = [];
    private readonly int $sheet;

    /** @throws UnreadableTable */
    public function __construct(string $path, ?string $sheet = null)
    {
        try {
            $this->zip = SafeZip::open($path, self::LARGEST);
            $this->sheets = $this->sheets();
            $this->styles = new XlsxStyles($this->zip->has(self::FOLDER . 'styles.xml') ? $this->xml('styles.xml') : null);
            $this->strings = $this->zip->has(self::FOLDER . 'sharedStrings.xml') ? $this->strings() : [];
            $this->sheet = $this->chosen($sheet);
        } catch (RefusedZip $e) {
            throw new UnreadableTable($e->getMessage());
        }
    }

    public function aside(): array
    {
        $others = array_diff_key($this->sheets, [$this->sheet => true]);

        return array_values(array_map(static fn (array $sheet): Aside => new Aside(1, $sheet[0]), $others));
    }

    public function rows(): \Generator
    {
        try {
            yield from $this->read($this->sheets[$this->sheet][1]);
        } catch (RefusedZip $e) {
            throw new UnreadableTable($e->getMessage());
        }
    }

    private function chosen(?string $name): int
    {
        foreach ($this->sheets as $i => [$called, $file]) {
            if ($name !== null ? $called === $name : iterator_to_array($this->read($file, 1), false) !== []) {
                return $i;
            }
        }
        if ($name !== null) {
            throw new UnreadableTable(sprintf('there is no sheet “%s”', $name));
        }

        return 0;
    }

    /** @return list<array{string, string}> */
    private function sheets(): array
    {
        $files = [];
        foreach (self::elements($this->xml('_rels/workbook.xml.rels'), 'Relationship') as $element) {
            $target = $element->getAttribute('Target') ?? '';
            $files[$element->getAttribute('Id') ?? ''] = str_starts_with($target, '/') ? substr($target, 1) : self::FOLDER . $target;
        }
        $sheets = [];
        foreach (self::elements($this->xml('workbook.xml'), 'sheet') as $element) {
            $id =
                $element->getAttributeNs('id', 'http://schemas.openxmlformats.org/officeDocument/2006/relationships') ??
                ($element->getAttribute('r:id') ?? '');
            if (isset($files[$id]) && $this->zip->has($files[$id])) {
                $sheets[] = [$element->getAttribute('name') ?? '', $files[$id]];
            }
        }

        return $sheets !== [] ? $sheets : throw new UnreadableTable('has no sheet');
    }

    /** @return list<string> */
    private function strings(): array
    {
        $strings = [];
        foreach (self::elements($this->xml('sharedStrings.xml'), 'si') as $element) {
            $strings[] = self::plain($element->readOuterXml());
        }

        return $strings;
    }

    /** @return \Generator<int, Row> */
    private function read(string $file, int $most = PHP_INT_MAX): \Generator
    {
        $next = 1;
        foreach (self::elements($this->xml($file, ''), 'row') as $element) {
            $number = (int) ($element->getAttribute('r') ?? (string) $next);
            $next = $number + 1;
            if ($number > Rows::MOST_ROWS) {
                throw new UnreadableTable(sprintf('has more than %s rows; bring it in as several files', number_format(Rows::MOST_ROWS)));
            }
            $row = $this->row($number, $element->readOuterXml());
            if ($most < PHP_INT_MAX && $row->isEmpty()) {
                continue;
            }
            yield $row;
            if (--$most === 0) {
                return;
            }
        }
    }

    private function row(int $number, string $xml): Row
    {
        $cells = $problems = [];
        $width = 0;
        $row = simplexml_load_string($xml, options: LIBXML_NONET | LIBXML_COMPACT);
        foreach (($row === false ? null : $row->children()) ?? [] as $cell) {
            $column = preg_match('/^([A-Z]{1,3})\d*$/', (string) $cell['r'], $m) === 1 ? self::place($m[1]) : count($cells);
            $width = max($width, $column + 1);
            if ($column >= Rows::MOST_COLUMNS) {
                continue;
            }
            while (count($cells) < $column) {
                $cells[] = '';
            }
            [$text, $problem] = $this->cell($cell);
            if (mb_strlen($text) > Rows::LONGEST_CELL) {
                [$text, $problem] = [
                    mb_substr($text, 0, Rows::LONGEST_CELL),
                    sprintf('has more than %s characters', number_format(Rows::LONGEST_CELL)),
                ];
            }
            if ($problem !== null || Characters::hasControl($text)) {
                $problems[$column] = $problem ?? 'has a control character, which no text has';
            }
            $cells[$column] = Characters::tidy(str_replace(["\r\n", "\r"], "\n", Characters::plain($text)));
        }

        return new Row($number, array_values($cells), $problems, width: $width);
    }

    /** @return array{string, string|null} text, and what is wrong with it */
    private function cell(\SimpleXMLElement $cell): array
    {
        $type = (string) $cell['t'];
        $value = isset($cell->v) ? (string) $cell->v : null;
        if ($type === 'inlineStr') {
            return [isset($cell->is) ? self::plain((string) $cell->is->asXML()) : '', null];
        }
        if ($value === null || $value === '') {
            return ['', isset($cell->f) && $value === null ? 'is a formula without a stored value' : null];
        }

        return [
            match ($type) {
                's' => $this->strings[(int) $value] ?? '',
                'b' => $value === '1' ? 'TRUE' : 'FALSE',
                'str', 'e' => $value,
                'd' => substr($value, 0, 10),
                default => $this->styles->isDate((int) ($cell['s'] ?? 0)) ? XlsxStyles::date($value) : XlsxStyles::number($value),
            },
            null,
        ];
    }

    /** Rich text as plain text. */
    private static function plain(string $xml): string
    {
        $element = simplexml_load_string($xml, options: LIBXML_NONET);
        if ($element === false) {
            return '';
        }
        $texts = $element->xpath('./*[local-name()="t"] | ./*[local-name()="r"]/*[local-name()="t"]');

        return preg_replace_callback(
            '/_x([0-9A-Fa-f]{4})_/',
            static fn (array $m): string => mb_chr((int) hexdec($m[1])),
            implode('', array_map(strval(...), is_array($texts) ? $texts : [])),
        ) ?? '';
    }

    /** @return \Generator<int, \XMLReader> at each element of a name */
    private static function elements(string $xml, string $name): \Generator
    {
        $before = libxml_use_internal_errors(true);
        $reader = $xml === '' ? false : \XMLReader::XML($xml, null, LIBXML_NONET | LIBXML_COMPACT);
        if (!$reader instanceof \XMLReader) {
            throw new UnreadableTable('a part of it is no whole XML');
        }
        try {
            $more = $reader->read();
            while ($more) {
                if ($reader->nodeType === \XMLReader::ELEMENT && $reader->localName === $name) {
                    yield $reader;
                    $more = $reader->next();
                } else {
                    $more = $reader->read();
                }
            }
            if (libxml_get_errors() !== []) {
                throw new UnreadableTable('a part of it is no whole XML');
            }
        } finally {
            libxml_clear_errors();
            libxml_use_internal_errors($before);
            $reader->close();
        }
    }

    private function xml(string $file, string $folder = self::FOLDER): string
    {
        $xml = $this->zip->contents($folder . $file);
        if (preg_match('/<!DOCTYPE/i', $xml) === 1) {
            throw new UnreadableTable('has a document type declaration (DOCTYPE), which no spreadsheet needs');
        }

        return $xml;
    }

    private static function place(string $letters): int
    {
        $place = 0;
        foreach (str_split($letters) as $letter) {
            $place = 26 * $place + ord($letter) - 64;
        }

        return $place - 1;
    }
}
