<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper\Lines;

/** What pages of a paper have beside its text: page numbers, running titles, "turn over". */
final class Furniture
{
    private const PAGE_NUMBER = '/^(?:page\s+\d{1,4}(?:\s+of\s+\d{1,4})?|[-–—]\s*\d{1,4}\s*[-–—]|\d{1,4}\s*\/\s*\d{1,4})$/ui';
    private const OTHER = '/^(?:(?:please\s+)?turn\s+over|\(?continued\)?|end\s+of\s+paper|good\s+luck|total\s*:\s*\d+(?:[.,]\d+)?\s*(?:points?|marks?|pts?))\s*[.!…]*$/ui';

    /**
     * @param list<PaperLine> $lines
     *
     * @return array{list<PaperLine>, list<PaperLine>} the text, which goes on as if furniture and the blank lines around it were not there,
     *   and the furniture
     */
    public static function apart(array $lines): array
    {
        $running = self::running($lines);
        $text = $furniture = [];
        $wasFurniture = false;
        foreach ($lines as $i => $line) {
            if (
                preg_match(self::PAGE_NUMBER, $line->text()) === 1 ||
                preg_match(self::OTHER, $line->text()) === 1 ||
                isset($running[$i])
            ) {
                $furniture[] = $line;
                $wasFurniture = true;
                continue;
            }
            if ($wasFurniture) {
                $line->afterBlank = false;
                $wasFurniture = false;
            }
            $text[] = $line;
        }

        return [$text, $furniture];
    }

    /**
     * @param list<PaperLine> $lines
     *
     * @return array<int, true> places of unmarked lines that stand beside a page number, at least twice, figures apart
     */
    private static function running(array $lines): array
    {
        $beside = [];
        foreach ($lines as $i => $line) {
            if (preg_match(self::PAGE_NUMBER, $line->text()) !== 1) {
                continue;
            }
            foreach ([$i - 1, $i + 1] as $j) {
                if (isset($lines[$j]) && Marks::isUnmarked($lines[$j]) && preg_match(self::PAGE_NUMBER, $lines[$j]->text()) !== 1) {
                    $beside[preg_replace('/\d+/', '#', $lines[$j]->text())][$j] = true;
                }
            }
        }
        $running = [];
        foreach ($beside as $places) {
            $running += count($places) > 1 ? $places : [];
        }

        return $running;
    }
}
