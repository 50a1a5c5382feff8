<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Scoring;

use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Sought\AtPlace;
use Zetema\Core\Question\Scoring\Sought\Following;

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
                $find = $criterion->find;
                $fits = match (true) {
                    $find instanceof AtPlace => $find->place === $i + 1 && in_array($item, $find->items, true),
                    $find instanceof Following => $i > 0 &&
                        in_array($order[$i - 1], $find->after, true) &&
                        in_array($item, $find->items, true),
                    default => false,
                };
                if ($fits && !isset($used[$a])) {
                    $used[$a] = true;
                    $found[] = $criterion;
                    break;
                }
            }
        }

        return $found;
    }
}
