<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing\Proof;

use Zetema\Core\Question\Points;

/** What the questions of a pool count, and how many count as much. */
final class Worths
{
    /** @var list<array{Points, int}> rising */
    private array $rising;
    public readonly int $count;

    /** @param list<array{Points, int}> $worths */
    public function __construct(array $worths)
    {
        usort($worths, static fn (array $a, array $b): int => $a[0]->compare($b[0]));
        $this->rising = $worths;
        $this->count = array_sum(array_column($worths, 1));
    }

    /** The points of the n that count least. */
    public function least(int $n): Points
    {
        return self::sum($this->rising, $n);
    }

    /** The points of the n that count most. */
    public function most(int $n): Points
    {
        return self::sum(array_reverse($this->rising), $n);
    }

    /** @param list<array{Points, int}> $worths the first ones are taken */
    private static function sum(array $worths, int $take): Points
    {
        $sum = Points::zero();
        foreach ($worths as [$worth, $count]) {
            $n = min($take, $count);
            $sum = $sum->plus($worth->times($n));
            $take -= $n;
        }

        return $sum;
    }
}
