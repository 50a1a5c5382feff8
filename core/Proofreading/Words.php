<?php

declare(strict_types=1);

namespace Zetema\Core\Proofreading;

/** How the proofreader reads a text: its words, without emphasis, capitals and end marks. English word lists. */
final class Words
{
    private const NEGATIVE = 'not|never|no|none|neither|nor|except|(?<!at )least|cannot|unlikely|\w+n[’\']t';
    private const ABSOLUTE = 'always|never|all|every|none|only|must|nobody|everybody|impossible|completely';

    /** The first negative word that is not emphasised, or null. */
    public static function negative(string $text): ?string
    {
        $plain = preg_replace('/\*\*?[^*]+\*\*?/u', ' ', $text) ?? $text;

        return preg_match('/\b(' . self::NEGATIVE . ')\b/iu', $plain, $m) === 1 ? $m[1] : null;
    }

    /** Whether there is a negative word, emphasised or not. */
    public static function isNegative(string $text): bool
    {
        return self::negative(str_replace('*', '', $text)) !== null;
    }

    public static function absolute(string $text): ?string
    {
        return preg_match('/\b(' . self::ABSOLUTE . ')\b/iu', $text, $m) === 1 ? mb_strtolower($m[1]) : null;
    }

    /** For comparing: lower case, without marks and doubled spaces. */
    public static function folded(string $text): string
    {
        return trim(preg_replace('/[^\p{L}\p{N}]+/u', ' ', mb_strtolower($text)) ?? '');
    }

    /** @return list<string> */
    public static function of(string $text): array
    {
        $folded = self::folded($text);

        return $folded === '' ? [] : explode(' ', $folded);
    }

    /**
     * A number or a range of numbers that a text consists of.
     *
     * @return array{float, float}|null
     */
    public static function range(string $text): ?array
    {
        $number = '([-−]?\d+(?:[.,]\d+)?)';
        $value = static fn (string $n): float => (float) str_replace(['−', ','], ['-', '.'], $n);
        if (preg_match("/^\\D{0,12}$number ?(?:to|–|-) ?$number\\D{0,20}$/u", $text, $m) === 1) {
            return [$value($m[1]), $value($m[2])];
        }

        return preg_match("/^\\D{0,12}$number\\D{0,20}$/u", $text, $m) === 1 ? [$value($m[1]), $value($m[1])] : null;
    }
}
