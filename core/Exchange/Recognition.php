<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange;

use Zetema\Core\Exchange\Table\Columns;
use Zetema\Core\Exchange\Table\CsvRows;
use Zetema\Core\Exchange\TextFormat\Vocabulary;

/** Which way in a text is for, by what it holds. */
final class Recognition
{
    /** Lines that are looked at. */
    private const FIRST = 400;

    public static function of(string $text): SourceFormat
    {
        $head = implode("\n", array_slice(explode("\n", substr($text, 0, 60_000)), 0, self::FIRST));
        if (preg_match('/^[ \t]*(?:' . implode('|', [...Vocabulary::opening(), 'bank', 'bank settings', 'every question', 'page']) . ')[ \t]*:/mi', $head) === 1) {
            return SourceFormat::Text;
        }
        $widths = [];
        foreach ((new CsvRows($head))->rows() as $row) {
            if ($row->number > 10) {
                break;
            }
            if (Columns::ofHeadings($row) !== null) {
                return SourceFormat::Table;
            }
            $widths = $row->isEmpty() ? $widths : [...$widths, $row->width];
        }
        if (count($widths) >= 3 && $widths[0] >= 3 && count(array_unique($widths)) === 1) {
            return SourceFormat::Table;
        }

        return preg_match('/^[ \t]*(?:\(?\d{1,3}[.)]|q(?:uestion)?\s*\.?\d|q:|\(?[a-h][.)]\s|[•–-]\s)/mi', $head) === 1 ? SourceFormat::Paper : SourceFormat::Text;
    }
}
