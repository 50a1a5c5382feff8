<?php

declare(strict_types=1);

namespace Zetema\Core\Proofreading;

/**
 * Whether a number is measured, and so never comes out to the last figure; what is counted, or worked out of what is, is exact. English
 * word lists.
 */
final class Measured
{
    private const UNITS = [
        'mg',
        'g',
        'kg',
        't',
        'gram',
        'grams',
        'gramme',
        'grammes',
        'kilogram',
        'kilograms',
        'kilo',
        'kilos',
        'tonne',
        'tonnes',
        'oz',
        'lb',
        'mm',
        'cm',
        'dm',
        'm',
        'km',
        'millimetre',
        'millimetres',
        'centimetre',
        'centimetres',
        'metre',
        'metres',
        'kilometre',
        'kilometres',
        'inch',
        'inches',
        'ft',
        'cm²',
        'm²',
        'km²',
        'ha',
        'hectare',
        'hectares',
        'cm³',
        'm³',
        'ml',
        'cl',
        'dl',
        'l',
        'litre',
        'litres',
        '°c',
        '°f',
        'k',
        'degrees',
        'm/s',
        'km/h',
        'n',
        'pa',
        'hpa',
        'kpa',
        'bar',
        'j',
        'kj',
        'w',
        'kw',
        'kwh',
        'v',
        'a',
        'hz',
        'khz',
        'db',
        'lx',
    ];

    /** Units in which what was counted or agreed is told as well: measured where it comes to a fraction. */
    private const TIMES = ['s', 'second', 'seconds', 'min', 'minute', 'minutes', 'h', 'hour', 'hours', 'day', 'days', 'week', 'weeks'];

    /**
     * @param list<string> $units that are accepted
     * @param bool $isFraction whether the value is no whole number
     */
    public static function is(string $stem, array $units, bool $isFraction): bool
    {
        $stem = mb_strtolower($stem);
        $units = array_map(mb_strtolower(...), $units);

        return !self::isCounted($stem) &&
            (preg_match(
                '/\b(?:measur(?:e|es|ed|ing|ement)|weigh(?:s|ed|ing)?|how (?:heavy|far|deep|high|tall|wide|thick|hot|warm|cold))\b/u',
                $stem,
            ) === 1 ||
                array_intersect($units, self::UNITS) !== [] ||
                ($isFraction && array_intersect($units, self::TIMES) !== []));
    }

    /** "How many tins?", and "12 tins of 5 litres", which is their number times what is in each. */
    private static function isCounted(string $stem): bool
    {
        if (
            preg_match('/\bhow many\s+(\p{L}[\p{L}\/²³]*)/u', $stem, $m) === 1 &&
            !in_array($m[1], [...self::UNITS, ...self::TIMES], true)
        ) {
            return true;
        }

        return preg_match('/\b\d+\s+\p{L}+\s+(?:of|with|holding|at)\s+\d/u', $stem) === 1 ||
            preg_match('/\d\s*\p{L}+\s+each\b/u', $stem) === 1;
    }
}
