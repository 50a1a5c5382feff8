<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing;

/** Questions that never meet in a form. */
final readonly class KeptApart
{
    /** @var array<string, array<string, true>> */
    private array $others;

    /** @param list<array{string, string}> $pairs of ids */
    public function __construct(array $pairs)
    {
        $others = [];
        foreach ($pairs as [$a, $b]) {
            $others[$a][$b] = $others[$b][$a] = true;
        }
        $this->others = $others;
    }

    public function has(string $id): bool
    {
        return isset($this->others[$id]);
    }

    /** @param array<string, true> $taken */
    public function meets(string $id, array $taken): bool
    {
        return array_intersect_key($this->others[$id] ?? [], $taken) !== [];
    }

    /** @param array<string, true> $taken */
    public function anyMeet(array $taken): bool
    {
        // An id that is digits alone is a number once it is a key.
        foreach (array_map(strval(...), array_keys($this->others)) as $id) {
            if (isset($taken[$id]) && $this->meets($id, $taken)) {
                return true;
            }
        }

        return false;
    }
}
