<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Written;

use Zetema\Core\Numbers\NumberReader;
use Zetema\Core\Numbers\Ratio;

/** An answer that is a number: alone, a range, or with a tolerance; with its unit. */
final readonly class NumberAnswer
{
    private const MEASURES = [
        'km/h',
        'm/s',
        'min',
        'bar',
        'kPa',
        'mm',
        'cm',
        'km',
        'kg',
        'ml',
        '°C',
        'kW',
        'Hz',
        'm',
        'g',
        't',
        'l',
        's',
        'h',
        '°',
        '%',
        'V',
        'A',
        'W',
        'N',
    ];
    public const NUMBER = '[-+−]?(?:\d[\d., ]*\d|\d)(?:[eE][+-]?\d{1,4})?(?:\/\d+)?';

    private function __construct(public string $span, public ?string $unit, public string $why)
    {
    }

    public static function read(string $said): ?self
    {
        $said = Characters::tidy(str_replace("\n", ' ', $said));
        $n = self::NUMBER;
        if (
            preg_match(
                "/^($n)\s*([^\d\s±+(][^\d±+(]*?)?\s*\(?\s*(?:±|\+\/-|\+-|plus or minus|tolerance|within)\s*($n)\s*(%)?\s*([^\d\s)%][^)]*?)?\s*\)?$/ui",
                $said,
                $m,
            ) === 1
        ) {
            $value = self::number($m[1]);
            $distance = self::number(ltrim($m[3], '+'));
            $unit = trim($m[2]) !== '' ? trim($m[2]) : trim($m[5] ?? '');
            if ($value === null || $distance === null || ($unit !== '' && preg_match('/^\S+$/u', $unit) !== 1)) {
                return null;
            }

            return new self(
                $value . ' within ' . $distance . (($m[4] ?? '') === '' ? '' : ' %'),
                $unit === '' ? null : $unit,
                self::asRead($m[1], $value),
            );
        }
        if (
            preg_match('/^(?:between\s+)?(' . $n . ')\s*(?:\bto\b|–|\band\b)\s*(' . $n . ')(.*)$/ui', $said, $m) === 1 &&
            (preg_match('/^between/i', $said) === 1) === (preg_match('/\band\b/i', $said) === 1)
        ) {
            [$from, $to, $unit] = [self::number($m[1]), self::number($m[2]), trim($m[3])];

            return $from === null || $to === null || ($unit !== '' && !in_array($unit, self::MEASURES, true))
                ? null
                : new self("$from to $to", $unit === '' ? null : $unit, '');
        }
        if (preg_match("/^($n)\s*(.*)$/u", $said, $m) === 1) {
            $value = self::number($m[1]);

            return $value === null || ($m[2] !== '' && !in_array($m[2], self::MEASURES, true))
                ? null
                : new self($value, $m[2] === '' ? null : $m[2], self::asRead($m[1], $value));
        }

        return null;
    }

    /** A decimal or a fraction as the text format has it; null where it is none, or has leading noughts as codes have. */
    public static function number(string $typed): ?string
    {
        $typed = trim($typed);
        $read = preg_match('/^[-+−]?0\d/u', $typed) === 1 ? null : (new NumberReader())->read($typed);
        $value = $read?->value;
        if ($value !== null && preg_match('/^([-−]?)(\d+)\s+(\d+)\s*\/\s*(\d+)$/u', $typed, $m) === 1) {
            return sprintf('%s%s %s/%s', $m[1] === '' ? '' : '-', $m[2], $m[3], $m[4]); // a mixed number stays one
        }

        return $value === null ? null : self::written($value);
    }

    private static function written(Ratio $value): ?string
    {
        $decimals = $value->decimals();

        return $decimals !== null && $decimals <= 30
            ? $value->decimal()
            : (preg_match('/^(-?)(\d+)\/(\d+)$/', (string) $value) === 1
                ? (string) $value
                : null);
    }

    private static function asRead(string $typed, string $value): string
    {
        return preg_match('/[, ]/', trim($typed)) === 1 && !str_contains($value, '/')
            ? sprintf('%s is read as %s', trim($typed), $value)
            : '';
    }
}
