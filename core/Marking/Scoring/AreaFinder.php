<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Scoring;

use Zetema\Core\Question\Answers\Area;
use Zetema\Core\Question\Scoring\Criterion;

/** Finds the criteria of clicks into an image: areas hit, each once; clicks outside all areas, each time. */
final class AreaFinder
{
    /**
     * @param list<Criterion> $criteria
     * @param list<array{int, int}> $clicks
     *
     * @return list<Criterion>
     */
    public static function found(array $criteria, array $clicks): array
    {
        $found = [];
        $outside = [];
        foreach ($clicks as [$x, $y]) {
            $hit = array_filter($criteria, static fn (Criterion $criterion): bool => self::contains($criterion, $x, $y));
            $keys = array_filter($hit, static fn (Criterion $criterion): bool => ($criterion->find['key'] ?? false) === true);
            foreach ($keys === [] ? array_slice($hit, 0, 1, true) : $keys as $i => $criterion) {
                $found[$i] = $criterion;
            }
            if ($hit === []) {
                foreach ($criteria as $criterion) {
                    if (isset($criterion->find['outside'])) {
                        $outside[] = $criterion;
                    }
                }
            }
        }

        return [...array_values($found), ...$outside];
    }

    private static function contains(Criterion $criterion, int $x, int $y): bool
    {
        $shape = $criterion->find['shape'] ?? null;
        $numbers = $criterion->find['numbers'] ?? null;

        return is_string($shape) && is_array($numbers) && Area::fromPlan($shape, $numbers)->contains($x, $y);
    }
}
