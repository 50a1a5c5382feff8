<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

/** Reads what stands in rows, as one database or another gives it: digits for a whole number, 0 and 1 or true and false for a flag. */
final class Row
{
    /** 0 where there is none. */
    public static function int(mixed $cell): int
    {
        return is_numeric($cell) ? (int) $cell : 0;
    }

    public static function optionalInt(mixed $cell): ?int
    {
        return is_numeric($cell) ? (int) $cell : null;
    }

    /**
     * @param array<mixed> $cells
     *
     * @return list<int>
     */
    public static function ints(array $cells): array
    {
        return array_values(array_map(self::int(...), $cells));
    }

    /** '' where there is none. */
    public static function text(mixed $cell): string
    {
        return is_scalar($cell) ? (string) $cell : '';
    }

    /**
     * @param array<mixed> $cells
     *
     * @return list<string> those that are texts
     */
    public static function texts(array $cells): array
    {
        return array_values(array_filter($cells, is_string(...)));
    }

    public static function flag(mixed $cell): bool
    {
        return in_array($cell, [true, 1, '1'], true);
    }
}
