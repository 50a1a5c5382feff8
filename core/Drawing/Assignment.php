<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing;

/**
 * Whether draws over overlapping pools can all be served, as a flow: draws on one side, on the other questions gathered in
 * classes that fit the same draws. Small whatever the size of the bank.
 */
final class Assignment
{
    /** @var array<int, int> how many each draw still asks for */
    private array $ask;
    /** @var array<string, int> how many questions of each class are left; key: the draws they fit, such as "0,2" */
    private array $left = [];
    /** @var array<string, list<int>> */
    private array $drawsOf = [];

    /**
     * @param array<int, int> $ask by draw
     * @param array<string, list<int>> $fits draws that each question fits, by question
     */
    public function __construct(array $ask, array $fits)
    {
        $this->ask = $ask;
        foreach ($fits as $draws) {
            $class = implode(',', $draws);
            $this->left[$class] = ($this->left[$class] ?? 0) + 1;
            $this->drawsOf[$class] = $draws;
        }
    }

    /** @param list<int> $fits the draws that the question fits */
    public function take(int $draw, array $fits): void
    {
        --$this->ask[$draw];
        --$this->left[implode(',', $fits)];
    }

    /** @param list<int> $fits */
    public function giveBack(int $draw, array $fits): void
    {
        ++$this->ask[$draw];
        ++$this->left[implode(',', $fits)];
    }

    /** Whether all draws can still be served: a maximum flow by augmenting paths. */
    public function isFeasible(): bool
    {
        $given = [];
        $free = $this->left;
        foreach ($this->ask as $draw => $wanted) {
            for ($i = 0; $i < $wanted; ++$i) {
                $seen = [];
                if (!$this->augment($draw, $free, $given, $seen)) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * @param array<string, int> $free
     * @param array<string, array<int, int>> $given how many of a class each draw has
     * @param array<string, true> $seen
     */
    private function augment(int $draw, array &$free, array &$given, array &$seen): bool
    {
        foreach ($this->drawsOf as $class => $draws) {
            if (isset($seen[$class]) || !in_array($draw, $draws, true)) {
                continue;
            }
            $seen[$class] = true;
            if ($free[$class] > 0) {
                --$free[$class];
                $given[$class][$draw] = ($given[$class][$draw] ?? 0) + 1;

                return true;
            }
            foreach ($given[$class] ?? [] as $other => $n) {
                if ($n > 0 && $other !== $draw && $this->augment($other, $free, $given, $seen)) {
                    --$given[$class][$other];
                    $given[$class][$draw] = ($given[$class][$draw] ?? 0) + 1;

                    return true;
                }
            }
        }

        return false;
    }

    /** The set with the fewest draws, then the earliest, that asks for too much; null if all can be served. */
    public function shortage(): ?Shortage
    {
        if ($this->isFeasible()) {
            return null;
        }
        $draws = array_keys($this->ask);
        for ($size = 1; $size <= count($draws); ++$size) {
            if ($size > 3 && self::combinations(count($draws), $size) > 200_000) {
                break;
            }
            foreach ($this->subsets($draws, $size) as $set) {
                $ask = array_sum(array_intersect_key($this->ask, array_flip($set)));
                $fit = $this->fitting($set);
                if ($ask > $fit) {
                    return self::counted($set, $ask, $fit);
                }
            }
        }

        return $this->reduced($draws);
    }

    /**
     * A set from which no draw can be left out, where trying all would take too long.
     *
     * @param list<int> $draws
     */
    private function reduced(array $draws): Shortage
    {
        foreach (array_reverse($draws) as $draw) {
            $without = array_values(array_diff($draws, [$draw]));
            $rest = clone $this;
            $rest->ask = array_intersect_key($this->ask, array_flip($without));
            if (!$rest->isFeasible()) {
                $draws = $without;
            }
        }

        return self::counted($draws, array_sum(array_intersect_key($this->ask, array_flip($draws))), $this->fitting($draws));
    }

    /** @param list<int> $set */
    private function fitting(array $set): int
    {
        $fit = 0;
        foreach ($this->drawsOf as $class => $draws) {
            $fit += array_intersect($draws, $set) === [] ? 0 : $this->left[$class];
        }

        return $fit;
    }

    /** @param list<int> $set */
    private static function counted(array $set, int $ask, int $fit): Shortage
    {
        $numbers = array_map(static fn (int $draw): int => $draw + 1, $set);

        return $numbers === [] ? throw new \LogicException('a shortage names draws') : new Shortage($numbers, $ask, $fit);
    }

    /**
     * In rising order of their sorted numbers.
     *
     * @param list<int> $of
     *
     * @return \Generator<int, list<int>>
     */
    private function subsets(array $of, int $size): \Generator
    {
        if ($size === 0) {
            yield [];

            return;
        }
        for ($i = 0; $i <= count($of) - $size; ++$i) {
            foreach ($this->subsets(array_slice($of, $i + 1), $size - 1) as $rest) {
                yield [$of[$i], ...$rest];
            }
        }
    }

    private static function combinations(int $n, int $k): float
    {
        $count = 1.0;
        for ($i = 0; $i < $k; ++$i) {
            $count *= ($n - $i) / ($i + 1);
        }

        return $count;
    }
}
