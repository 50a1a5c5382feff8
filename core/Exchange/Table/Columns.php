<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Table;

/** Which column of a table is what. */
final readonly class Columns
{
    /**
     * @param array<string, int> $single column from 0, by its meaning
     * @param array<string, array<int, int>> $many columns by meaning and the place of the choice, from 1
     * @param array<string, int> $inOne columns that hold all choices in one cell, by meaning
     * @param list<string> $names headings as written
     * @param list<string> $unread headings that nothing takes
     * @param array{int, string}|null $problem a column from 0 and why the rows cannot be read
     */
    private function __construct(
        public array $single,
        public array $many,
        public array $inOne,
        public array $names,
        public array $unread,
        public ?array $problem,
        public int $last,
    ) {
    }

    /** By the headings; null if they name no stem and nothing else. */
    public static function ofHeadings(Row $row): ?self
    {
        $names = array_slice($row->cells, 0, Rows::MOST_COLUMNS);
        $found = array_map(Meaning::ofHeading(...), $names);
        $meanings = array_map(static fn (?array $one): string => $one === null ? '' : $one[0]->value, $found);
        if (
            !in_array(Meaning::Stem->value, $meanings, true) ||
            count(array_filter($meanings, static fn (string $m): bool => $m !== '' && $m !== Meaning::Stem->value)) === 0
        ) {
            return null;
        }
        $single = $many = $inOne = $unread = [];
        $problem = null;
        foreach ($found as $column => $one) {
            if ($one === null) {
                $unread = $names[$column] === '' ? $unread : [...$unread, $names[$column]];
                continue;
            }
            [$meaning, $place] = $one;
            $place ??= 0;
            $isTwice = match (true) {
                !$meaning->isOfMany() => isset($single[$meaning->value]),
                $place === 0 => isset($inOne[$meaning->value]),
                default => isset($many[$meaning->value][$place]),
            };
            if ($isTwice) {
                $problem ??= [$column, sprintf('“%s” means the same as another heading', $names[$column])];
            }
            match (true) {
                !$meaning->isOfMany() => ($single[$meaning->value] = $column),
                $place === 0 => ($inOne[$meaning->value] = $column),
                default => ($many[$meaning->value][$place] = $column),
            };
        }
        foreach ($many as $meaning => $columns) {
            ksort($columns);
            $many[$meaning] = $columns;
        }

        return new self($single, $many, $inOne, $names, self::withOthers($unread, $row), $problem, self::last($names));
    }

    /** By hand. */
    public static function ofMapping(Mapping $mapping, ?Row $headings): self
    {
        $names = array_slice($headings->cells ?? [], 0, Rows::MOST_COLUMNS);
        $single = $many = $inOne = $taken = [];
        $problem = null;
        foreach ($mapping->columns as $name => $columns) {
            $meaning = Meaning::from($name);
            foreach ($columns as $place => $column) {
                $at = is_int($column) ? $column - 1 : array_search($column, $names, true);
                if ($at === false) {
                    $problem ??= [0, sprintf('there is no heading “%s”', $column)];
                    continue;
                }
                $taken[] = $at;
                match (true) {
                    !$meaning->isOfMany() => ($single[$name] = $at),
                    $place === 0 && $meaning !== Meaning::Says => ($inOne[$name] = $at),
                    default => ($many[$name][max(1, $place)] = $at),
                };
            }
        }
        $unread = array_values(
            array_filter(
                $names,
                static fn (string $name, int $at): bool => $name !== '' && !in_array($at, $taken, true),
                ARRAY_FILTER_USE_BOTH,
            ),
        );

        return new self(
            $single,
            $many,
            $inOne,
            $names,
            $headings === null ? [] : self::withOthers($unread, $headings),
            $problem,
            $headings === null ? PHP_INT_MAX : self::last($names),
        );
    }

    public function of(Meaning $meaning): ?int
    {
        return $this->single[$meaning->value] ?? null;
    }

    /** @return array{string, int|null}|null what a column holds, and for which choice, from 1 */
    public function meaning(int $column): ?array
    {
        foreach ([$this->single, $this->inOne] as $columns) {
            $means = array_search($column, $columns, true);
            if (is_string($means)) {
                return [$means, null];
            }
        }
        foreach ($this->many as $means => $columns) {
            $place = array_search($column, $columns, true);
            if (is_int($place)) {
                return [$means, $place];
            }
        }

        return null;
    }

    public function name(int $column): ?string
    {
        return ($this->names[$column] ?? '') === '' ? null : $this->names[$column];
    }

    /** @param list<string> $names */
    private static function last(array $names): int
    {
        $filled = array_keys(array_filter($names, static fn (string $name): bool => $name !== ''));

        return $filled === [] ? -1 : max($filled);
    }

    /**
     * @param list<string> $unread
     *
     * @return list<string>
     */
    private static function withOthers(array $unread, Row $row): array
    {
        $others = max($row->width, count($row->cells)) - Rows::MOST_COLUMNS;

        return $others > 0 ? [...$unread, (string) $others] : $unread;
    }
}
