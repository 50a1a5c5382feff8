<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Written;

/** Several wordings, or the answers to several blanks, said in one go. */
final class Alternatives
{
    /**
     * @param bool $semicolons whether a semicolon separates them too
     *
     * @return list<string> at least one; a comma belongs to its wording
     */
    public static function of(string $said, bool $semicolons): array
    {
        $parts = preg_split('/\s+\/\s+|\s*\|\s*|\s+or\s+' . ($semicolons ? '|\s*;\s*' : '') . '/ui', trim($said));

        return self::filled($parts === false ? [$said] : $parts, $said);
    }

    /** @return list<string> answers to blanks in their order: numbered, else by semicolons, else by commas */
    public static function ofBlanks(string $said, int $blanks): array
    {
        $said = trim($said);
        if (
            preg_match_all('/(?:^|(?<=[\s,;]))\(?(\d{1,2})[).:=]\s*(.*?)(?=[\s,;]+\(?\d{1,2}[).:=]\s*\S|$)/us', $said, $m) >= 1 &&
            array_map(intval(...), $m[1]) === range(1, count($m[1]))
        ) {
            return array_map(static fn (string $one): string => trim($one, " \t\n,;"), $m[2]);
        }
        foreach ([';', "\n", ','] as $by) {
            if (str_contains($said, $by) && $blanks > 1) {
                return self::filled(explode($by, $said), $said);
            }
        }

        return [$said];
    }

    /**
     * @param array<string> $parts
     *
     * @return list<string>
     */
    private static function filled(array $parts, string $said): array
    {
        $filled = array_values(array_filter(array_map(trim(...), $parts), static fn (string $part): bool => $part !== ''));

        return $filled === [] ? [trim($said)] : $filled;
    }
}
