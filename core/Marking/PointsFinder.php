<?php

declare(strict_types=1);

namespace Zetema\Core\Marking;

use Zetema\Core\Question\Area;
use Zetema\Core\Question\Atom;

/** Finds the atoms of clicks into an image: areas hit, each once; clicks outside all areas, each time. */
final class PointsFinder
{
    /**
     * @param list<Atom> $atoms
     * @param list<array{int, int}> $clicks
     *
     * @return list<Atom>
     */
    public static function found(array $atoms, array $clicks): array
    {
        $found = [];
        $outside = [];
        foreach ($clicks as [$x, $y]) {
            $hit = array_filter($atoms, static fn (Atom $atom): bool => self::contains($atom, $x, $y));
            $keys = array_filter($hit, static fn (Atom $atom): bool => ($atom->find['key'] ?? false) === true);
            foreach ($keys === [] ? array_slice($hit, 0, 1, true) : $keys as $i => $atom) {
                $found[$i] = $atom;
            }
            if ($hit === []) {
                foreach ($atoms as $atom) {
                    if (isset($atom->find['outside'])) {
                        $outside[] = $atom;
                    }
                }
            }
        }

        return [...array_values($found), ...$outside];
    }

    private static function contains(Atom $atom, int $x, int $y): bool
    {
        $shape = $atom->find['shape'] ?? null;
        $numbers = $atom->find['numbers'] ?? null;

        return is_string($shape) && is_array($numbers) && Area::fromPlan($shape, $numbers)->contains($x, $y);
    }
}
