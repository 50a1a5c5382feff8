<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Processing;

use Zetema\Core\Exchange\Qti\Variables\Value;
use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Numbers\Ratio;

/** Expressions that make numbers of numbers. */
final class Numbers
{
    public const NAMES = ['sum', 'product', 'subtract', 'divide', 'power', 'max', 'min', 'round', 'roundTo', 'truncate', 'integerToFloat'];
    /** Digits of a number; one that is longer is nobody's mark. */
    private const LONGEST = 300;

    /**
     * @param list<Value|null> $values
     *
     * @throws CannotRun
     */
    public static function of(Element $at, array $values): ?Value
    {
        $numbers = [];
        foreach ($values as $value) {
            foreach ($value->items ?? [null] as $item) {
                if (!$item instanceof Ratio) {
                    return null;
                }
                $numbers[] = $item;
            }
        }
        if ($numbers === [] || (count($numbers) < 2 && in_array($at->name, ['subtract', 'divide', 'power'], true))) {
            return null;
        }
        $result = match ($at->name) {
            'sum' => array_reduce($numbers, static fn (Ratio $a, Ratio $b): Ratio => $a->plus($b), Ratio::zero()),
            'product' => self::product($at, $numbers),
            'subtract' => $numbers[0]->minus($numbers[1]),
            'divide' => $numbers[1]->isZero() ? null : $numbers[0]->dividedBy($numbers[1]),
            'power' => self::power($at, $numbers[0], $numbers[1]),
            'max' => array_reduce($numbers, static fn (Ratio $a, Ratio $b): Ratio => $b->isGreaterThan($a) ? $b : $a, $numbers[0]),
            'min' => array_reduce($numbers, static fn (Ratio $a, Ratio $b): Ratio => $a->isGreaterThan($b) ? $b : $a, $numbers[0]),
            // Half a point is rounded up, below nothing too.
            'round' => self::floor($numbers[0]->plus(Ratio::nd(1, 2))),
            'roundTo' => self::roundTo($at, $numbers[0]),
            'truncate' => $numbers[0]->cut(0),
            default => $numbers[0],
        };

        return $result === null ? null : Value::ofNumber(self::short($at, $result));
    }

    /** @return Ratio|null null where its figures are none */
    public static function roundTo(Element $at, Ratio $number): ?Ratio
    {
        $figures = (int) ($at->attribute('figures') ?? 0);
        if ($figures < 0 || $figures > 20) {
            return null;
        }
        if (($at->attribute('roundingMode') ?? 'significantFigures') === 'decimalPlaces') {
            return $number->rounded($figures);
        }
        if ($number->isZero() || $figures === 0) {
            return $number->isZero() ? $number : null;
        }
        $decimals = $figures - 1;
        $size = $number->abs();
        for (; $size->compareTo(10) >= 0; --$decimals) {
            $size = $size->dividedBy(10);
        }
        for (; $size->compareTo(1) < 0; ++$decimals) {
            $size = $size->multipliedBy(10);
        }
        if ($decimals >= 0) {
            return $number->rounded(min($decimals, 60));
        }
        $tens = Ratio::of('1' . str_repeat('0', -$decimals));

        return $number->dividedBy($tens)->rounded(0)->multipliedBy($tens);
    }

    private static function floor(Ratio $number): Ratio
    {
        $cut = $number->cut(0);

        return $cut->isGreaterThan($number) ? $cut->minus(Ratio::one()) : $cut;
    }

    /**
     * @param list<Ratio> $numbers
     *
     * @throws CannotRun
     */
    private static function product(Element $at, array $numbers): Ratio
    {
        return array_reduce($numbers, static fn (Ratio $a, Ratio $b): Ratio => self::short($at, $a->multipliedBy($b)), Ratio::one());
    }

    /** @throws CannotRun */
    private static function power(Element $at, Ratio $base, Ratio $exponent): ?Ratio
    {
        if ($exponent->decimals() !== 0 || $exponent->abs()->compareTo(100) > 0 || ($base->isZero() && $exponent->isNegative())) {
            return null;
        }
        $power = self::product($at, array_fill(0, (int) (string) $exponent->abs(), $base));

        return $exponent->isNegative() ? Ratio::one()->dividedBy($power) : $power;
    }

    /** @throws CannotRun */
    private static function short(Element $at, Ratio $number): Ratio
    {
        return strlen((string) $number) > self::LONGEST
            ? throw new CannotRun($at, 'makes a number of more than ' . self::LONGEST . ' digits')
            : $number;
    }
}
