<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Table;

/** A table written as text, cells separated by commas and quoted where they must be. */
final class CsvText
{
    public static function of(Rows $rows): string
    {
        $text = '';
        $next = 1;
        foreach ($rows->rows() as $row) {
            $text .= str_repeat("\n", max(0, $row->number - $next));
            $text .= self::row($row->cells);
            $next = $row->number + 1;
        }

        return $text;
    }

    /** @param list<string> $cells */
    public static function row(array $cells): string
    {
        return implode(',', array_map(self::cell(...), $cells)) . "\n";
    }

    private static function cell(string $cell): string
    {
        // A spreadsheet would run what begins so; a character without width, which reading takes off again, keeps it a text.
        if (preg_match('/^[=+\-@\t]/', $cell) === 1 && !is_numeric($cell)) {
            $cell = "\u{200B}" . $cell;
        }

        return preg_match('/[",\r\n]/', $cell) === 1 ? '"' . str_replace('"', '""', $cell) . '"' : $cell;
    }
}
