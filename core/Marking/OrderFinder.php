<?php

declare(strict_types=1);

namespace Zetema\Core\Marking;

use Zetema\Core\Question\Atom;

/** Finds the atoms of an order: items in their place, or right successions, each counted once. */
final class OrderFinder
{
    /**
     * @param list<Atom> $atoms
     * @param list<int> $order items in the order placed
     *
     * @return list<Atom>
     */
    public static function found(array $atoms, array $order): array
    {
        $found = [];
        $used = [];
        foreach ($order as $i => $item) {
            foreach ($atoms as $a => $atom) {
                $place = $atom->find['place'] ?? null;
                $fits = $place !== null
                    ? $place === $i + 1 && self::has($atom->find['items'] ?? null, $item)
                    : $i > 0 && self::has($atom->find['after'] ?? null, $order[$i - 1]) && self::has($atom->find['items'] ?? null, $item);
                if ($fits && !isset($used[$a])) {
                    $used[$a] = true;
                    $found[] = $atom;
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
