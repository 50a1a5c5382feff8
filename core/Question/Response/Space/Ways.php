<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response\Space;

/** Numbers of ways, as far as they can be listed; PHP_INT_MAX stands for all that cannot. */
final class Ways
{
    public static function sum(int ...$ways): int
    {
        return array_reduce($ways, static fn (int $sum, int $n): int => $sum > PHP_INT_MAX - $n ? PHP_INT_MAX : $sum + $n, 0);
    }

    public static function product(int ...$ways): int
    {
        return in_array(0, $ways, true) ? 0 : array_reduce($ways, self::times(...), 1);
    }

    /** How many sets of k there are among n. */
    public static function choose(int $n, int $k): int
    {
        $ways = 1;
        for ($i = 0; $i < $k && $ways < PHP_INT_MAX; ++$i) {
            $more = self::times($ways, $n - $i);
            $ways = $more === PHP_INT_MAX ? $more : intdiv($more, $i + 1);
        }

        return $ways;
    }

    /** n (n − 1) …, k factors. */
    public static function falling(int $n, int $k): int
    {
        return self::product(...array_map(static fn (int $i): int => $n - $i, $k === 0 ? [] : range(0, $k - 1)));
    }

    /** @param int $b above 0 */
    private static function times(int $a, int $b): int
    {
        return $a > intdiv(PHP_INT_MAX, $b) ? PHP_INT_MAX : $a * $b;
    }
}
