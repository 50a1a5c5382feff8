<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Table;

/** What the cells of a row say that make up a question. */
final readonly class RowCells
{
    /**
     * @param array<int, string> $choices by their places from 1
     * @param array<int, string> $distractors
     */
    public function __construct(
        public string $stem,
        public string $key,
        public array $choices,
        public array $distractors,
        public string $tolerance,
        public string $unit,
        public int $row,
    ) {
    }

    /**
     * @param list<non-empty-string> $signs
     *
     * @return list<string> what one cell holds: by line breaks, else by bars, else by semicolons
     */
    public static function parts(string $cell, array $signs = ["\n", '|', ';']): array
    {
        foreach ($signs as $sign) {
            if (str_contains($cell, $sign)) {
                return array_values(
                    array_filter(array_map(trim(...), explode($sign, $cell)), static fn (string $part): bool => $part !== ''),
                );
            }
        }

        return $cell === '' ? [] : [$cell];
    }
}
