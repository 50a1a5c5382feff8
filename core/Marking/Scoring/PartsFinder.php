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
     * @return list<Criterion>
     */
    public static function found(Scoring $scoring, array $map, TextMatcher $matcher): array
    {
        $byPart = [];
        foreach ($scoring->criteria as $criterion) {
            if ($criterion->find instanceof PartTakes || $criterion->find instanceof Wording) {
                $byPart[$criterion->find->part][] = $criterion;
            }
        }
        $found = [];
        foreach (self::interchanged($map, $byPart, $scoring->options['same'] ?? []) as $part => $value) {
            $criteria = $byPart[$part] ?? [];
            $hit = array_values(array_filter($criteria, static fn (Criterion $a): bool => self::takes($a, $value)))[0]
                ?? Finder::bestWording($matcher, array_values(array_filter($criteria, static fn (Criterion $a): bool => $a->find instanceof Wording)), $value)
                ?? array_values(array_filter($criteria, static fn (Criterion $a): bool => $a->find instanceof PartTakes && $a->find->values === null))[0] ?? null;
            if ($hit !== null) {
                $found[] = $hit;
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
     * @return array<int, string>
     */
    private static function interchanged(array $map, array $byPart, mixed $same): array
    {
        foreach (is_array($same) ? $same : [] as $parts) {
            $parts = is_array($parts) ? array_values(array_filter($parts, is_int(...))) : [];
            $values = array_values(array_intersect_key($map, array_flip($parts)));
            if ($values === []) {
                continue;
            }
            $fits = static fn (int $part, string $value): bool => array_filter($byPart[$part] ?? [], static fn (Criterion $a): bool => self::takes($a, $value)) !== [];
            $holds = [];
            foreach (array_keys($values) as $v) {
                $seen = [];
                self::give($v, $values, $parts, $fits, $holds, $seen);
            }
            $rest = array_values(array_diff(array_keys($values), $holds));
            foreach ($parts as $part) {
                unset($map[$part]);
                $v = $holds[$part] ?? array_shift($rest);
                if ($v !== null) {
                    $map[$part] = $values[$v];
                }
            }
        }

        return $map;
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
