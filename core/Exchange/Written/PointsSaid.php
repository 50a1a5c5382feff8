<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Written;

use Zetema\Core\Numbers\Ratio;

/** Points as they stand in papers: "(2 points)", "[1½ marks]", "2,5 pts". */
final class PointsSaid
{
    public const NUMBER = '(?:\d+(?:[.,]\d+)?\s*½?|½)';
    public const WORD = '(?:points?|pts?\.?|marks?|p)';

    /** @return string|null the decimal, or null where it is none from 0.01 to 1,000 */
    public static function decimal(string $said): ?string
    {
        $said = str_replace(' ', '', Characters::tidy($said));
        $half = str_contains($said, '½');
        $digits = str_replace(['½', ','], ['', '.'], $said);
        if (preg_match('/^\d{0,6}(?:\.\d{1,6})?$/', $digits) !== 1 || ($digits === '' && !$half)) {
            return null;
        }
        $value = Ratio::of($digits === '' ? '0' : $digits)->plus(Ratio::of($half ? '1/2' : '0'));
        $isIn = $value->compareTo(Ratio::of('1/100')) >= 0 && $value->compareTo(Ratio::of(1000)) <= 0;

        return $isIn ? $value->decimal() : null;
    }

    /**
     * Takes points out of a stem: at its start or end in brackets, behind a dash at its end, alone on a line.
     *
     * @return array{Styled, list<string>} the rest, and what was said, in the order it was found
     */
    public static function taken(Styled $stem): array
    {
        $n = self::NUMBER;
        $word = self::WORD;
        $said = [];
        do {
            $found = false;
            foreach (
                [
                    "/^\s*[(\[]\s*($n)\s*$word\s*[)\]][ \t]*:?\s*/ui",
                    "/\s*[(\[]\s*($n)\s*$word\s*[)\]]\s*[.:]?\s*$/ui",
                    "/\s*\[\s*($n)\s*\]\s*$/u",
                    "/\s+–\s*($n)\s*$word\s*$/ui",
                    "/(?:^|\n)[ \t]*($n)\s*$word\s*\.?[ \t]*(?=\n|$)/ui",
                    "/(?:^|\n)[ \t]*points\s*:[ \t]*(\S[^\n]*)(?=\n|$)/ui",
                ] as $pattern
            ) {
                if (preg_match($pattern, $stem->text, $m, PREG_OFFSET_CAPTURE) === 1) {
                    $said[] = trim($m[1][0]);
                    $stem = $stem->without($m[0][1], strlen($m[0][0]));
                    $found = true;
                }
            }
        } while ($found);

        return [$stem, $said];
    }
}
