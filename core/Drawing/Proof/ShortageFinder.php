<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing\Proof;

/** Finds which draws together ask for more than fits them, where not all can be served. */
final readonly class ShortageFinder
{
    /** Sets of up to this many draws are all tried; larger ones as long as there are not too many. */
    private const ALWAYS_TRIED = 3;
    private const MOST_TRIED = 200_000;

    /**
     * @param array<int, int> $ask by draw, counted from 0
     * @param array<int, FitGroup> $groups
     */
    public function __construct(private array $ask, private array $groups)
    {
    }

    /** The set with the fewest draws, then the earliest, that asks for too much. */
    public function find(): Shortage
    {
        $draws = array_keys($this->ask);
        for ($size = 1; $size <= count($draws); ++$size) {
            if ($size > self::ALWAYS_TRIED && self::combinations(count($draws), $size) > self::MOST_TRIED) {
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
            if (!(new Flow(array_intersect_key($this->ask, array_flip($without)), $this->groups))->isFull()) {
                $draws = $without;
            }
        }

        return self::counted($draws, array_sum(array_intersect_key($this->ask, array_flip($draws))), $this->fitting($draws));
    }

    /** @param list<int> $set */
    private function fitting(array $set): int
    {
        $fit = 0;
        foreach ($this->groups as $group) {
            $fit += array_intersect($group->draws, $set) === [] ? 0 : $group->size;
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
