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
            $text .= implode(',', array_map(self::cell(...), $row->cells)) . "\n";
            $next = $row->number + 1;
        }

        return $text;
    }

    private static function cell(string $cell): string
    {
        return preg_match('/[",\r\n]/', $cell) === 1 ? '"' . str_replace('"', '""', $cell) . '"' : $cell;
    }
}
