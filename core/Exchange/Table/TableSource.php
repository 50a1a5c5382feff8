<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Table;

use Zetema\Core\Exchange\Aside;
use Zetema\Core\Exchange\Encoding;
use Zetema\Core\Exchange\Found;
use Zetema\Core\Exchange\Report;
use Zetema\Core\Exchange\Source;
use Zetema\Core\Exchange\Zip\SafeZip;
use Zetema\Core\Question\Problem;
use Zetema\Core\Question\Question;

/** A table of questions, one a row, its columns recognised by their headings or mapped by hand. */
final class TableSource implements Source
{
    /** First rows that are shown under their columns. */
    private const SAMPLE = 3;
    /** Rows in which the headings are looked for. */
    private const FIRST = 10;

    /** @var list<Problem> */
    private array $problems = [];
    /** @var list<Aside> */
    private array $aside = [];
    private ?Columns $columns = null;
    private int $headingRow = 1;
    /** @var list<Row> */
    private array $sample = [];
    /** Which row may be the headings, where none is known. */
    private ?Row $likely = null;

    private function __construct(
        private readonly ?Rows $rows,
        private readonly Mapping $mapping,
        private readonly Encoding $encoding,
        private readonly ?string $unreadable = null,
    ) {
    }

    public static function ofText(string $bytes, ?Encoding $encoding = null, ?Mapping $mapping = null): self
    {
        $encoding ??= Encoding::of($bytes);

        return new self(new CsvRows($encoding->decode($bytes), $mapping?->separator), $mapping ?? Mapping::none(), $encoding);
    }

    /** A table as somebody has it before them: rows are counted by lines. */
    public static function ofLines(string $text, ?Mapping $mapping = null): self
    {
        return new self(new CsvRows($text, $mapping?->separator, byLines: true), $mapping ?? Mapping::none(), Encoding::Utf8);
    }

    /** @param string $path of an .xlsx file */
    public static function ofSpreadsheet(string $path, ?Mapping $mapping = null): self
    {
        try {
            return new self(new XlsxRows($path, $mapping?->sheet), $mapping ?? Mapping::none(), Encoding::Utf8);
        } catch (UnreadableTable $e) {
            return new self(null, Mapping::none(), Encoding::Utf8, $e->getMessage());
        }
    }

    public static function isSpreadsheet(string $bytes): bool
    {
        return str_starts_with($bytes, SafeZip::BEGINS);
    }

    public function questions(): \Generator
    {
        if ($this->rows === null) {
            $this->problems[] = new Problem(1, 1, $this->unreadable ?? 'cannot be opened as a table');

            return;
        }
        try {
            yield from $this->read($this->rows);
        } catch (UnreadableTable $e) {
            $this->problems[] = new Problem(1, 1, $e->getMessage());
        }
    }

    public function report(): Report
    {
        return new Report(
            $this->problems,
            aside: [...$this->aside, ...$this->rows?->aside() ?? []],
            unread: $this->columns->unread ?? [],
            encoding: $this->encoding,
        );
    }

    /** What the columns were taken for, after reading has begun. */
    public function columns(): ?Columns
    {
        return $this->columns;
    }

    /**
     * @return array{headings: int, columns: list<array{name: string, means: string|null, place: int|null, sample: list<string>}>} the
     *   heading row, and each column, what it was taken for, and its first cells; after reading
     */
    public function told(): array
    {
        $told = [];
        foreach ($this->columns->names ?? ($this->likely->cells ?? []) as $column => $name) {
            [$means, $place] = $this->columns?->meaning($column) ?? [null, null];
            $told[] = [
                'name' => $name,
                'means' => $means,
                'place' => $place,
                'sample' => array_map(static fn (Row $row): string => $row->cell($column), $this->sample),
            ];
        }

        return ['headings' => $this->likely->number ?? $this->headingRow, 'columns' => $told];
    }

    /** @return \Generator<int, Found> */
    private function read(Rows $rows): \Generator
    {
        $first = [];
        $taken = [];
        $reading = null;
        foreach ($rows->rows() as $row) {
            if ($reading === null) {
                $first[] = $row;
                if (count($first) < self::FIRST && $row->unclosed === null) {
                    continue;
                }
                $reading = $this->begin($first);
                foreach ($first as $one) {
                    yield from $this->found($reading, $one, $taken);
                }
                continue;
            }
            yield from $this->found($reading, $row, $taken);
        }
        if ($reading === null) {
            $reading = $this->begin($first);
            foreach ($first as $one) {
                yield from $this->found($reading, $one, $taken);
            }
        }
        if ($taken === [] && $this->problems === []) {
            $this->problems[] = new Problem($this->headingRow, 1, 'nothing stands below the headings');
        }
    }

    /** @param list<Row> $first */
    private function begin(array $first): RowReading
    {
        [$at, $this->columns] = $this->headings($first);
        $this->headingRow = $at === null ? 0 : $first[$at]->number;
        foreach (array_slice($first, 0, $at ?? 0) as $above) {
            if (!$above->isEmpty()) {
                $this->aside[] = new Aside(
                    $above->number,
                    implode(' ', array_filter($above->cells, static fn (string $cell): bool => $cell !== '')),
                );
            }
        }
        if ($this->columns === null) {
            $this->likely = self::fullest($first);
            $this->problems[] = new Problem(
                1,
                1,
                'no row has headings that are known: one for the stem, such as “question”, and one more, such as “answer”',
            );
        } elseif ($this->columns->problem !== null) {
            [$column, $why] = $this->columns->problem;
            $this->problems[] = new Problem(max(1, $this->headingRow), $column + 1, $why, $this->columns->name($column));
        }

        return new RowReading($this->columns, $this->mapping->every);
    }

    /**
     * @param list<Row> $first
     *
     * @return array{int|null, Columns|null} the place of the heading row among the first ones; null: there is none
     */
    private function headings(array $first): array
    {
        $mapping = $this->mapping;
        if ($mapping->headings !== null) {
            $at = array_search($mapping->headings, array_map(static fn (Row $row): int => $row->number, $first), true);
            $row = $at === false ? null : $first[$at];

            return [
                $at === false ? null : $at,
                $mapping->columns !== [] ? Columns::ofMapping($mapping, $row) : ($row === null ? null : Columns::ofHeadings($row)),
            ];
        }
        if ($mapping->columns !== []) {
            $wanted = array_filter(array_merge(...array_map(array_values(...), array_values($mapping->columns))), is_string(...));
            foreach ($first as $at => $row) {
                if (array_intersect($wanted, $row->cells) !== []) {
                    return [$at, Columns::ofMapping($mapping, $row)];
                }
            }

            return [$first === [] ? null : 0, Columns::ofMapping($mapping, $first[0] ?? null)];
        }
        foreach ($first as $at => $row) {
            $columns = Columns::ofHeadings($row);
            if ($columns !== null) {
                return [$at, $columns];
            }
        }

        return [null, null];
    }

    /**
     * The first of the first rows that has most cells filled.
     *
     * @param list<Row> $first
     */
    private static function fullest(array $first): ?Row
    {
        $filled = static fn (Row $row): int => count(array_filter($row->cells, static fn (string $cell): bool => $cell !== ''));
        usort($first, static fn (Row $a, Row $b): int => [$filled($b), $a->number] <=> [$filled($a), $b->number]);

        return $first[0] ?? null;
    }

    /**
     * @param array<string, true> $taken names so far; something of every row that is not empty
     *
     * @return \Generator<int, Found>
     */
    private function found(RowReading $reading, Row $row, array &$taken): \Generator
    {
        if ($row->number <= $this->headingRow || $row->isEmpty()) {
            return;
        }
        $taken[''] = true;
        if (count($this->sample) < self::SAMPLE && $row->number > ($this->likely->number ?? 0)) {
            $this->sample[] = $row;
        }
        if ($row->unclosed !== null) {
            yield new Found(
                $row->number,
                $row->number + $row->breaks,
                null,
                [new Problem($row->number, 1, 'a quote opens here and never closes')],
                kept: $row->unclosed,
            );

            return;
        }
        if ($this->columns === null || $this->columns->problem !== null) {
            // The reason is one for all rows, and told once: what is wrong with the headings.
            yield new Found($row->number, $row->number + $row->breaks, null, [], kept: $reading->kept($row));

            return;
        }
        $read = $reading->of($row, $taken);
        if ($read instanceof Question) {
            $taken[$read->name ?? ''] = true;
            yield new Found($row->number, $row->number + $row->breaks, $read, [], $reading->why(), isKindSaid: $reading->saysKind());

            return;
        }
        yield new Found($row->number, $row->number + $row->breaks, null, $read, $reading->why(), $reading->kept($row));
    }
}
