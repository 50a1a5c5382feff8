<?php

declare(strict_types=1);

namespace Zetema\Core\Numbers;

/** How people separate decimals and thousands: "8,3", "1 250", "1.250,5", read the same wherever a number is typed. */
final class Separators
{
    /**
     * Digits with at most one decimal point; null if the separators make no sense.
     *
     * @param string $text digits, points, commas and spaces, without a sign
     * @param bool $decimalComma how an ambiguous one such as "1,250" is read: with a comma for decimals, or for thousands
     */
    public static function plain(string $text, bool $decimalComma = false): ?string
    {
        $grouped = static fn (string $whole, string $by): ?string => preg_match(
            '/^[1-9]\d{0,2}(' . preg_quote($by, '/') . '\d{3})+$/',
            $whole,
        ) === 1
            ? str_replace($by, '', $whole)
            : null;
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
        $asGroup = $count === 1 && $separator === ($decimalComma ? '.' : ',') ? $grouped($text, $separator) : null;
        if ($asGroup !== null) {
            return $asGroup;
        }
        $plain = rtrim(str_replace(',', '.', $text), '.');
        if ($plain === '') {
            return null;
        }

        return str_starts_with($plain, '.') ? '0' . $plain : $plain;
    }

    /** Every number in some words, written with a decimal point and without separators of thousands. */
    public static function inWords(string $words): string
    {
        return preg_replace_callback('/\d[\d.,]*/', static fn (array $m): string => self::plain($m[0]) ?? $m[0], $words) ?? $words;
    }
}
