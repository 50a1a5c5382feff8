<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Written;

/** Characters that look like others or like nothing: what papers and tables are cleaned of. */
final class Characters
{
    /** Every kind of space is a space; what has no width vanishes. Tabs and line ends stay. */
    public static function plain(string $text): string
    {
        if (preg_match('/[\x80-\xFF]/', $text) !== 1) {
            return $text;
        }

        return preg_replace(['/\p{Zs}/u', '/[\x{00AD}\x{200B}-\x{200D}\x{2060}\x{FEFF}]/u'], [' ', ''], $text) ?? $text;
    }

    /** Runs of spaces and tabs are one space, none at the ends of a line. */
    public static function tidy(string $text): string
    {
        return trim(preg_replace(['/[ \t]+/', '/ ?\n ?/'], [' ', "\n"], $text) ?? $text);
    }

    /** @return list<string> lines, however they end */
    public static function lines(string $text): array
    {
        $lines = preg_split('/\r\n|\r|\n/', $text);

        return $lines === false ? [$text] : $lines;
    }

    /** How many lines end in a text. */
    public static function lineEnds(string $text): int
    {
        return (int) preg_match_all('/\r\n|\r|\n/', $text);
    }

    /** Curly quotes as candidates type them. */
    public static function straight(string $text): string
    {
        return str_replace(['‘', '’', '‚', '‛', '“', '”', '„', '‟'], ["'", "'", "'", "'", '"', '"', '"', '"'], $text);
    }

    /** Characters that no text has: NUL and its like, but for tabs, line ends and form feeds. */
    public static function hasControl(string $text): bool
    {
        return preg_match('/[\x00-\x08\x0B\x0E-\x1F\x7F]|\xC2[\x80-\x9F]/', $text) === 1;
    }
}
