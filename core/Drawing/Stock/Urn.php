<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing\Stock;

/** The numbers from 0, each taken once; holds only what was moved, however many there are. */
final class Urn
{
    /** @var array<int, int<0, max>> */
    private array $moved = [];

    /** @param int<0, max> $left */
    public function __construct(public int $left)
    {
    }

    /**
     * @param int<0, max> $place below what is left
     *
     * @return int<0, max>
     */
    public function take(int $place): int
    {
        $taken = $this->moved[$place] ?? $place;
        $last = $this->left = max(0, $this->left - 1);
        $this->moved[$place] = $this->moved[$last] ?? $last;
        unset($this->moved[$last]);

        return $taken;
    }
}
