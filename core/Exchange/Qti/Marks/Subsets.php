<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Marks;

/** Sets of choices that are tried: every one that is allowed, or where there are too many, those that tell most. */
final class Subsets
{
    private const MOST = 2_000;

    /**
     * @param list<int> $keys
     *
     * @return list<list<int>> places from 1, in rising order; never the empty one
     */
    public static function of(int $count, int $least, int $most, array $keys): array
    {
        $sets = self::number($count, $least, $most) <= self::MOST ? self::all($count, $most) : self::telling($count, $keys);

        return array_values(array_filter($sets, static fn (array $set): bool => count($set) >= max(1, $least) && count($set) <= $most));
    }

    private static function number(int $count, int $least, int $most): int
    {
        $number = 0;
        $ways = 1;
        for ($k = 0; $k <= min($most, $count) && $number <= self::MOST; ++$k) {
            $number += $k >= $least ? $ways : 0;
            $ways = intdiv($ways * ($count - $k), $k + 1);
        }

        return $number;
    }

    /** @return list<list<int>> */
    private static function all(int $count, int $most): array
    {
        $sets = [[]];
        for ($i = 1; $i <= $count; ++$i) {
            foreach ($sets as $set) {
                if (count($set) < $most) {
                    $sets[] = [...$set, $i];
                }
            }
        }
        usort($sets, static fn (array $a, array $b): int => [count($a), $a] <=> [count($b), $b]);

        return $sets;
    }

    /**
     * Singles, pairs, all keys, the keys with one more or one less.
     *
     * @param list<int> $keys
     *
     * @return list<list<int>>
     */
    private static function telling(int $count, array $keys): array
    {
        $sets = [$keys];
        for ($i = 1; $i <= min($count, 60); ++$i) {
            $sets[] = [$i];
            $sets[] = in_array($i, $keys, true) ? array_values(array_diff($keys, [$i])) : [...$keys, $i];
            for ($j = $i + 1; $j <= min($count, 60); ++$j) {
                $sets[] = [$i, $j];
            }
        }
        array_walk($sets, sort(...));

        return array_values(array_unique($sets, SORT_REGULAR));
    }
}
