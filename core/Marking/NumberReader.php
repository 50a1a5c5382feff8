<?php

declare(strict_types=1);

namespace Zetema\Core\Marking;

use Brick\Math\BigDecimal;
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
        $value = BigRational::nd($m[3], $m[4])->plus($m[2] === '' ? 0 : $m[2]);

        return new TypedNumber($m[1] === '-' ? $value->negated() : $value, null, null);
    }

    private function decimal(string $text): ?TypedNumber
    {
        if (preg_match('/^([+-]?)([\d., ]*\d[\d., ]*)(?:[eE]([+-]?\d{1,4}))?$/', $text, $m) !== 1) {
            return null;
        }
        $exponent = isset($m[3]) ? (int) $m[3] : null;
        $digits = $this->plain(trim($m[2]));
        if ($digits === null || ($exponent !== null && abs($exponent) > self::MOST_EXPONENT)) {
            return null;
        }
        $value = BigDecimal::of($m[1] === '-' ? '-' . $digits : $digits)->toBigRational();
        if ($exponent !== null) {
            $power = BigRational::of(10)->power(abs($exponent));

            return new TypedNumber($exponent < 0 ? $value->dividedBy($power) : $value->multipliedBy($power), null, null);
        }
        $point = strpos($digits, '.');
        $decimals = $point === false ? 0 : strlen($digits) - $point - 1;

        return new TypedNumber($value, $decimals, strlen(ltrim(str_replace('.', '', $digits), '0')));
    }

    /** Digits with at most one decimal point; null if the separators make no sense. */
    private function plain(string $text): ?string
    {
        $grouped = static fn (string $whole, string $by): ?string => preg_match('/^[1-9]\d{0,2}(' . preg_quote($by, '/') . '\d{3})+$/', $whole) === 1 ? str_replace($by, '', $whole) : null;
        $comma = substr_count($text, ',');
        $point = substr_count($text, '.');
        if (str_contains($text, ' ')) {
            if ($comma + $point > 1 || preg_match('/^([\d ]+)(?:[.,](\d+))?$/', $text, $m) !== 1) {
                return null;
            }
            $whole = $grouped($m[1], ' ');

            return $whole === null ? null : $whole . (isset($m[2]) ? '.' . $m[2] : '');
        }
        if ($comma > 0 && $point > 0) {
            $decimal = strrpos($text, ',') > strrpos($text, '.') ? ',' : '.';
            $group = $decimal === ',' ? '.' : ',';
            if (substr_count($text, $decimal) > 1) {
                return null;
            }
            [$whole, $rest] = explode($decimal, $text);
            $whole = $grouped($whole, $group);

            return $whole === null || $rest === '' ? null : $whole . '.' . $rest;
        }
        $separator = $comma > 0 ? ',' : '.';
        $count = $comma + $point;
        if ($count > 1) {
            return $grouped($text, $separator);
        }
        $asGroup = $count === 1 && $separator === ($this->decimalComma ? '.' : ',') ? $grouped($text, $separator) : null;
        if ($asGroup !== null) {
            return $asGroup;
        }
        $plain = rtrim(str_replace(',', '.', $text), '.');
        if ($plain === '') {
            return null;
        }

        return str_starts_with($plain, '.') ? '0' . $plain : $plain;
    }
}
