<?php

declare(strict_types=1);

namespace Zetema\Core\Numbers;

use Brick\Math\BigRational;

/** Reads the numbers that people type: decimal point or comma, thousands, fractions, exponents, percent, units. */
final readonly class NumberReader
{
    private const LONGEST = 100;
    private const MOST_EXPONENT = 100;

    /**
     * @param list<string> $units accepted behind the number, as written
     * @param bool $decimalComma how a single separator with three digits behind it is read: "1,250" is 1.25 with, 1250 without
     */
    public function __construct(private array $units = [], private bool $decimalComma = false)
    {
    }

    /** @param array<array-key, mixed> $options of a marking plan */
    public static function of(array $options): self
    {
        $units = is_array($options['units'] ?? null) ? array_values(array_filter($options['units'], is_string(...))) : [];

        return new self($units, ($options['decimalComma'] ?? false) === true);
    }

    /** Null if it cannot be read as a number. */
    public function read(string $typed): ?TypedNumber
    {
        $text = trim(preg_replace('/[\s\p{Z}\x{85}]+/u', ' ', $typed) ?? '');
        if ($text === '' || mb_strlen($text) > self::LONGEST) {
            return null;
        }
        [$text, $percent] = $this->withoutUnit(str_replace('−', '-', $text));
        $number = $this->fraction($text) ?? $this->decimal($text);
        if ($number === null || !$percent) {
            return $number;
        }

        return new TypedNumber($number->value->dividedBy(100), $number->decimals, $number->significant);
    }

    /** @return array{string, bool} the rest, and whether it is in percent */
    private function withoutUnit(string $text): array
    {
        $units = $this->units;
        usort($units, static fn (string $a, string $b): int => strlen($b) <=> strlen($a));
        foreach ($units as $unit) {
            if ($unit !== '' && str_ends_with($text, $unit)) {
                return [rtrim(substr($text, 0, -strlen($unit))), false];
            }
        }

        return str_ends_with($text, '%') ? [rtrim(substr($text, 0, -1)), true] : [$text, false];
    }

    private function fraction(string $text): ?TypedNumber
    {
        if (preg_match('/^([+-]?)(?:(\d+) )?(\d+) ?\/ ?(\d+)$/', $text, $m) !== 1 || trim($m[4], '0') === '') {
            return null;
        }
        $value = Ratio::of($m[3] . '/' . $m[4])->plus(Ratio::of($m[2] === '' ? 0 : $m[2]));

        return new TypedNumber($m[1] === '-' ? $value->negated() : $value, null, null);
    }

    private function decimal(string $text): ?TypedNumber
    {
        if (preg_match('/^([+-]?)([\d., ]*\d[\d., ]*)(?:[eE]([+-]?\d{1,4}))?$/', $text, $m) !== 1) {
            return null;
        }
        $exponent = isset($m[3]) ? (int) $m[3] : null;
        $digits = Separators::plain(trim($m[2]), $this->decimalComma);
        if ($digits === null || ($exponent !== null && abs($exponent) > self::MOST_EXPONENT)) {
            return null;
        }
        $value = Ratio::of($m[1] === '-' ? '-' . $digits : $digits);
        if ($exponent !== null) {
            $power = Ratio::ofBig(BigRational::of(10)->power(abs($exponent)));

            return new TypedNumber($exponent < 0 ? $value->dividedBy($power) : $value->multipliedBy($power), null, null);
        }
        $point = strpos($digits, '.');
        $decimals = $point === false ? 0 : strlen($digits) - $point - 1;

        return new TypedNumber($value, $decimals, strlen(ltrim(str_replace('.', '', $digits), '0')));
    }
}
