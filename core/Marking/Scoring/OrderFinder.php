<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Scoring;

use Zetema\Core\Question\Scoring\Criterion;

/** Finds the criteria of an order: items in their place, or right successions, each counted once. */
final class OrderFinder
{
    /**
     * @param list<Criterion> $criteria
     * @param list<int> $order items in the order placed
     *
     * @return list<Criterion>
     */
    public static function found(array $criteria, array $order): array
    {
        $found = [];
        $used = [];
        foreach ($order as $i => $item) {
            foreach ($criteria as $a => $criterion) {
                $place = $criterion->find['place'] ?? null;
                $fits = $place !== null
                    ? $place === $i + 1 && self::has($criterion->find['items'] ?? null, $item)
                    : $i > 0 && self::has($criterion->find['after'] ?? null, $order[$i - 1]) && self::has($criterion->find['items'] ?? null, $item);
                if ($fits && !isset($used[$a])) {
                    $used[$a] = true;
                    $found[] = $criterion;
                    break;
                }
            }
        }

        return $found;
    }

    private static function has(mixed $items, int $item): bool
    {
        return is_array($items) && in_array($item, $items, true);
    }
}
