<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Guessing;

use Brick\Math\BigInteger;

/** The counting that guessing needs, exact. */
final class Combinatorics
{
    public static function factorial(int $n): BigInteger
    {
        $product = BigInteger::one();
        for ($i = 2; $i <= $n; ++$i) {
            $product = $product->multipliedBy($i);
        }

        return $product;
    }

    public static function choose(int $n, int $k): BigInteger
    {
        return $k < 0 || $k > $n
            ? BigInteger::zero()
            : self::factorial($n)->quotient(self::factorial($k)->multipliedBy(self::factorial($n - $k)));
    }

    /** Permutations without a fixed point. D(0) = 1, D(−1) = 0. */
    public static function derangements(int $n): BigInteger
    {
        if ($n < 0) {
            return BigInteger::zero();
        }
        $d = BigInteger::one();
        for ($i = 1; $i <= $n; ++$i) {
            $d = $d->multipliedBy($i)->plus($i % 2 === 0 ? 1 : -1);
        }

        return $d;
    }

    /**
     * Product of two polynomials.
     *
     * @param list<BigInteger> $a
     * @param list<BigInteger> $b
     *
     * @return list<BigInteger>
     */
    public static function product(array $a, array $b): array
    {
        $product = array_fill(0, count($a) + count($b) - 1, BigInteger::zero());
        foreach ($a as $i => $x) {
            foreach ($b as $j => $y) {
                $product[$i + $j] = $product[$i + $j]->plus($x->multipliedBy($y));
            }
        }

        return array_values($product);
    }

    /**
     * Permutations of n with exactly j hits, by inclusion and exclusion over rook numbers.
     *
     * @param list<BigInteger> $rooks
     */
    public static function exactly(int $j, int $n, array $rooks): BigInteger
    {
        $sum = BigInteger::zero();
        for ($k = $j; $k <= $n; ++$k) {
            $term = self::choose($k, $j)
                ->multipliedBy($rooks[$k] ?? 0)
                ->multipliedBy(self::factorial($n - $k));
            $sum = ($k - $j) % 2 === 0 ? $sum->plus($term) : $sum->minus($term);
        }

        return $sum;
    }
}
