<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Table;

/** A row of a table, its cells cleaned. */
final readonly class Row
{
    /**
     * @param int $number as a spreadsheet counts
     * @param list<string> $cells up to as many as are looked at
     * @param array<int, string> $problems what is wrong with a cell, by its place from 0
     * @param int $width how many cells there are, where that is more
     * @param int $breaks line ends within it, where rows are counted by lines
     * @param string|null $unclosed all that is left, where a quote that opens in this row never closes
     */
    public function __construct(
        public int $number,
        public array $cells,
        public array $problems = [],
        public ?string $unclosed = null,
        public int $width = 0,
        public int $breaks = 0,
    ) {
    }

    public function isEmpty(): bool
    {
        return $this->unclosed === null && array_filter($this->cells, static fn (string $cell): bool => $cell !== '') === [];
    }

    public function cell(int $column): string
    {
        return $this->cells[$column] ?? '';
    }
}
