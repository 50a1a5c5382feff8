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

    /**
     * A row that is read by people and programs elsewhere, and never here again: what a spreadsheet would run gets an apostrophe in front.
     *
     * @param list<string> $cells
     */
    public static function toldRow(array $cells): string
    {
        return implode(
            ',',
            array_map(static fn (string $cell): string => self::quoted(self::wouldRun($cell) ? "'" . $cell : $cell), $cells),
        ) . "\n";
    }

    private static function cell(string $cell): string
    {
        // A character without width, which reading takes off again, keeps it a text.
        return self::quoted(self::wouldRun($cell) ? "\u{200B}" . $cell : $cell);
    }

    /** Whether a spreadsheet would run it as a formula; the wide forms of the signs are signs to some. */
    private static function wouldRun(string $cell): bool
    {
        return preg_match('/^[=+\-@\t\r＝＋－＠]/u', $cell) === 1 && !is_numeric($cell);
    }

    private static function quoted(string $cell): string
    {
        return preg_match('/[",\r\n]/', $cell) === 1 ? '"' . str_replace('"', '""', $cell) . '"' : $cell;
    }
}
