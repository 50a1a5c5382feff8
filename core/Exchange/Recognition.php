<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange;

use Zetema\Core\Exchange\Archive\Archive;
use Zetema\Core\Exchange\Table\Columns;
use Zetema\Core\Exchange\Table\CsvRows;
use Zetema\Core\Exchange\TextFormat\Vocabulary;
use Zetema\Core\Exchange\Zip\RefusedZip;
use Zetema\Core\Exchange\Zip\SafeZip;

/** Which way in a text is for, by what it holds. */
final class Recognition
{
    /** Lines that are looked at. */
    private const FIRST = 400;

    /**
     * @param string $name of the file, as somebody called it
     * @param \Closure(): string $path where it lies, asked only for a zip
     */
    public static function ofFile(string $bytes, string $name, \Closure $path): SourceFormat
    {
        if (str_starts_with($bytes, SafeZip::BEGINS)) {
            try {
                $zip = SafeZip::open($path());

                return match (true) {
                    Archive::isOne($zip) => SourceFormat::Archive,
                    $zip->has('xl/workbook.xml') => SourceFormat::Table,
                    default => SourceFormat::Qti,
                };
            } catch (RefusedZip) {
                return SourceFormat::Qti; // which says why it is refused
            }
        }
        $text = Encoding::of($bytes)->decode(substr($bytes, 0, 60_000));

        return match (true) {
            preg_match('/\.zet\.txt$/i', $name) === 1 => SourceFormat::Text,
            preg_match('/^\s*<\?xml|^\s*<[\w:-]*assessment/i', $text) === 1 => SourceFormat::Qti,
            preg_match('/\.html?$/i', $name) === 1 || preg_match('/^\s*<(?:!doctype|!--|[a-z][a-z0-9]*[\s>\/])/i', $text) === 1 => SourceFormat::Paper,
            preg_match('/\.[ct]sv$/i', $name) === 1 => SourceFormat::Table,
            default => self::of($text),
        };
    }

    public static function of(string $text): SourceFormat
    {
        $head = implode("\n", array_slice(explode("\n", substr($text, 0, 60_000)), 0, self::FIRST));
        if (
            preg_match(
                '/^[ \t]*(?:' .
                    implode('|', [...Vocabulary::opening(), 'bank', 'bank settings', 'every question', 'page']) .
                    ')[ \t]*:/mi',
                $head,
            ) === 1
        ) {
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

        return preg_match('/^[ \t]*(?:\(?\d{1,3}[.)]|q(?:uestion)?\s*\.?\d|q:|\(?[a-h][.)]\s|[•–-]\s)/mi', $head) === 1
            ? SourceFormat::Paper
            : SourceFormat::Text;
    }
}
