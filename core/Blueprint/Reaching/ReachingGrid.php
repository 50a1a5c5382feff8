<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Reaching;

use Zetema\Core\Blueprint\Condition\Condition;
use Zetema\Core\Blueprint\Step\CheckpointStep;
use Zetema\Core\Blueprint\Step\Route;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;

/**
 * Which route of a checkpoint is taken with which points and tallies, where no answer is asked about: points in rows, tallies in
 * columns. Neighbours that lead the same way throughout are one range.
 */
final readonly class ReachingGrid
{
    /** Where more values would have to be tried, or more columns to be shown, no grid is told. */
    private const MOST_TRIED = 20_000;
    private const MOST_COLUMNS = 24;

    /** @param Points $max the most that may have been asked before */
    public function __construct(private CheckpointStep $checkpoint, private Points $max)
    {
    }

    /**
     * @return array{max: string, points: list<array{from: string, to: string}>, columns: list<array<string, array{with: int,
     *   from: int|null, to: int|null}>>, cells: list<list<int|null>>, never: list<int>}|null
     * columns: ranges by tally, and a value of each; cells: by row and column the route from 1, null: what happens otherwise; never: routes
     * that no cell takes
     */
    public function toData(): ?array
    {
        $bounds = new Bounds(array_map(static fn (Route $route): Condition => $route->when, $this->checkpoint->routes), $this->max);
        $points = $this->pointsToTry($bounds->points);
        $tallies = array_map(static fn (array $values): array => self::around($values, Ratio::one()), $bounds->tallies);
        if (count($points) * array_product(array_map(count(...), $tallies)) > self::MOST_TRIED) {
            return null;
        }
        $all = self::combined($tallies);
        $rows = self::joined(
            $points,
            fn (Ratio $earned): array => array_map(fn (array $counts): int => $this->taken($earned, $counts), $all),
        );
        $ranges = [];
        foreach ($tallies as $tally => $values) {
            $others = self::combined(array_diff_key($tallies, [$tally => true]));
            $groups = self::joined(
                $values,
                fn (Ratio $value): array => array_map(
                    fn (array $counts): array => array_map(
                        fn (Ratio $earned): int => $this->taken($earned, [...$counts, $tally => $value]),
                        $points,
                    ),
                    $others,
                ),
            );
            $ranges[$tally] = $groups;
        }
        $columns = self::combined($ranges);
        if (count($columns) > self::MOST_COLUMNS) {
            return null;
        }
        $cells = array_map(
            fn (array $row): array => array_map(
                fn (array $column): int => $this->taken($row[0], array_map(self::nearest(...), $column)),
                $columns,
            ),
            $rows,
        );

        return [
            'max' => (string) $this->max,
            'points' => array_map(
                static fn (array $row): array => ['from' => $row[0]->decimal() ?? '', 'to' => $row[count($row) - 1]->decimal() ?? ''],
                $rows,
            ),
            'columns' => array_map(static fn (array $column): array => self::told($column, $ranges), $columns),
            'cells' => array_map(
                static fn (array $row): array => array_map(static fn (int $route): ?int => $route === 0 ? null : $route, $row),
                $cells,
            ),
            'never' => array_values(array_diff(range(1, max(1, count($this->checkpoint->routes))), ...$cells)),
        ];
    }

    /**
     * @param array<string, Ratio> $tallies
     *
     * @return int the route from 1; 0: otherwise
     */
    private function taken(Ratio $earned, array $tallies): int
    {
        $so = new AsIf(
            Points::rounded($earned, 6),
            $this->max,
            array_map(static fn (Ratio $value): int => (int) $value->decimal(), $tallies),
        );
        foreach ($this->checkpoint->routes as $i => $route) {
            if ($route->when->holds($so)) {
                return $i + 1;
            }
        }

        return 0;
    }

    /**
     * In steps as fine as what is compared; without a condition on points, none matters.
     *
     * @param list<Ratio> $bounds
     *
     * @return non-empty-list<Ratio>
     */
    private function pointsToTry(array $bounds): array
    {
        $decimals = max($this->max->decimals(), 0, ...array_map(static fn (Ratio $bound): int => $bound->decimals() ?? 0, $bounds));
        $grain = Ratio::one()->dividedBy(10 ** $decimals);
        $max = $this->max->exact();
        // Fewer than 0 are there only to be asked about.
        $fromZero = array_filter($bounds, static fn (Ratio $bound): bool => $bound->isNegative()) === [];
        $tried = array_values(
            array_filter(
                self::around([...$bounds, $max], $grain),
                static fn (Ratio $value): bool => $value->compareTo($max) <= 0 && !($fromZero && $value->isNegative()),
            ),
        );

        return $tried === [] ? [Ratio::zero()] : $tried;
    }

    /**
     * 0, and each value with its neighbours: between those of two values that follow one another nothing changes.
     *
     * @param list<Ratio> $values
     *
     * @return non-empty-list<Ratio> rising
     */
    private static function around(array $values, Ratio $grain): array
    {
        $around = ['0' => Ratio::zero()];
        foreach ($values as $value) {
            $floor = self::floor($value, $grain);
            foreach ([$floor->minus($grain), $floor, $floor->plus($grain)] as $one) {
                $around[(string) $one] = $one;
            }
        }
        $around = array_values($around);
        usort($around, static fn (Ratio $a, Ratio $b): int => $a->compareTo($b));

        return $around;
    }

    private static function floor(Ratio $value, Ratio $grain): Ratio
    {
        $steps = $value->dividedBy($grain)->cut(0);
        $floor = $steps->multipliedBy($grain);

        return $floor->compareTo($value) > 0 ? $floor->minus($grain) : $floor;
    }

    /**
     * Neighbours with the same sign become one.
     *
     * @param list<Ratio> $values
     * @param callable(Ratio): mixed $sign
     *
     * @return list<non-empty-list<Ratio>>
     */
    private static function joined(array $values, callable $sign): array
    {
        $groups = [];
        $last = null;
        foreach ($values as $value) {
            $now = $sign($value);
            if ($groups !== [] && $now === $last) {
                $groups[count($groups) - 1][] = $value;
            } else {
                $groups[] = [$value];
            }
            $last = $now;
        }

        return $groups;
    }

    /**
     * @template T
     *
     * @param array<string, list<T>> $axes
     *
     * @return list<array<string, T>> one of each, in all ways
     */
    private static function combined(array $axes): array
    {
        $all = [[]];
        foreach ($axes as $name => $values) {
            $all = array_merge(
                ...array_map(
                    static fn (array $one): array => array_map(static fn (mixed $value): array => [...$one, $name => $value], $values),
                    $all,
                ),
            );
        }

        return $all;
    }

    /**
     * The value of a range that is nearest to 0.
     *
     * @param non-empty-list<Ratio> $range
     */
    private static function nearest(array $range): Ratio
    {
        usort($range, static fn (Ratio $a, Ratio $b): int => $a->abs()->compareTo($b->abs()));

        return $range[0];
    }

    /**
     * @param array<string, non-empty-list<Ratio>> $column
     * @param array<string, list<non-empty-list<Ratio>>> $ranges
     *
     * @return array<string, array{with: int, from: int|null, to: int|null}> null: without an end
     */
    private static function told(array $column, array $ranges): array
    {
        $told = [];
        foreach ($column as $tally => $range) {
            $of = $ranges[$tally];
            $told[$tally] = [
                'with' => (int) self::nearest($range)->decimal(),
                'from' => $range === $of[0] ? null : (int) $range[0]->decimal(),
                'to' => $range === $of[count($of) - 1] ? null : (int) $range[count($range) - 1]->decimal(),
            ];
        }

        return $told;
    }
}
