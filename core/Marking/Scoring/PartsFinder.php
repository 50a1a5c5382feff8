<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Scoring;

use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Scoring\Sought\PartTakes;
use Zetema\Core\Question\Scoring\Sought\Wording;

/** Finds the criteria of gaps, pairs, groups and place: for each filled part one, right or wrong. */
final class PartsFinder
{
    /**
     * @param array<int, string> $map
     *
     * @return array<int, Criterion> by the part that was filled
     */
    public static function found(Scoring $scoring, array $map, TextMatcher $matcher): array
    {
        $byPart = [];
        foreach ($scoring->criteria as $criterion) {
            if ($criterion->find instanceof PartTakes || $criterion->find instanceof Wording) {
                $byPart[$criterion->find->part][] = $criterion;
            }
        }
        $standsFor = self::interchanged($map, $byPart, $scoring->options['same'] ?? []);
        $found = [];
        foreach ($map as $part => $value) {
            $criteria = $byPart[$standsFor[$part] ?? $part] ?? [];
            $hit =
                array_values(array_filter($criteria, static fn (Criterion $a): bool => self::takes($a, $value)))[0] ??
                (Finder::bestWording(
                    $matcher,
                    array_values(array_filter($criteria, static fn (Criterion $a): bool => $a->find instanceof Wording)),
                    $value,
                ) ??
                    (array_values(
                        array_filter(
                            $criteria,
                            static fn (Criterion $a): bool => $a->find instanceof PartTakes && $a->find->values === null,
                        ),
                    )[0] ??
                        null));
            if ($hit !== null) {
                $found[$part] = $hit;
            }
        }

        return $found;
    }

    private static function takes(Criterion $criterion, string $value): bool
    {
        return $criterion->find instanceof PartTakes && in_array($value, $criterion->find->values ?? [], true);
    }

    /**
     * Parts with the same text are interchangeable: what was given to them is dealt out among them so that as many as can be are right.
     *
     * @param array<int, string> $map
     * @param array<int, list<Criterion>> $byPart
     *
     * @return array<int, int> for which part what was given to one of them counts
     */
    private static function interchanged(array $map, array $byPart, mixed $same): array
    {
        $standsFor = [];
        foreach (is_array($same) ? $same : [] as $parts) {
            $parts = is_array($parts) ? array_values(array_filter($parts, is_int(...))) : [];
            $given = array_intersect_key($map, array_flip($parts));
            if ($given === []) {
                continue;
            }
            $values = array_values($given);
            $fits = static fn (int $part, string $value): bool => array_filter(
                $byPart[$part] ?? [],
                static fn (Criterion $a): bool => self::takes($a, $value),
            ) !== [];
            $holds = [];
            foreach (array_keys($values) as $v) {
                $seen = [];
                self::give($v, $values, $parts, $fits, $holds, $seen);
            }
            $free = array_values(array_diff($parts, array_keys($holds)));
            foreach (array_keys($given) as $v => $part) {
                $holder = array_search($v, $holds, true);
                $standsFor[$part] = $holder === false ? array_shift($free) ?? $part : $holder;
            }
        }

        return $standsFor;
    }

    /**
     * One augmenting path of a bipartite matching of values and parts.
     *
     * @param list<string> $values
     * @param list<int> $parts
     * @param callable(int, string): bool $fits
     * @param array<int, int> $holds value by part
     * @param array<int, true> $seen
     */
    private static function give(int $v, array $values, array $parts, callable $fits, array &$holds, array &$seen): bool
    {
        foreach ($parts as $part) {
            if (isset($seen[$part]) || !$fits($part, $values[$v])) {
                continue;
            }
            $seen[$part] = true;
            if (!isset($holds[$part]) || self::give($holds[$part], $values, $parts, $fits, $holds, $seen)) {
                $holds[$part] = $v;

                return true;
            }
        }

        return false;
    }
}
