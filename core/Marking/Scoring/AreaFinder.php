<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Scoring;

use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Sought\InArea;
use Zetema\Core\Question\Scoring\Sought\OutsideAreas;

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
            $hit = array_filter(
                $criteria,
                static fn (Criterion $criterion): bool => $criterion->find instanceof InArea && $criterion->find->area->contains($x, $y),
            );
            $keys = array_filter(
                $hit,
                static fn (Criterion $criterion): bool => $criterion->find instanceof InArea && $criterion->find->isKey,
            );
            foreach ($keys === [] ? array_slice($hit, 0, 1, true) : $keys as $i => $criterion) {
                $found[$i] = $criterion;
            }
            if ($hit === []) {
                foreach ($criteria as $criterion) {
                    if ($criterion->find instanceof OutsideAreas) {
                        $outside[] = $criterion;
                    }
                }
            }
        }

        return [...array_values($found), ...$outside];
    }
}
