<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items\Kinds;

use Zetema\Core\Exchange\Qti\Marks\Answered;

/** An item whose responses are sets of things that are right or wrong: choices, areas of a picture. */
abstract class SetItem implements Answered
{
    /** @var list<int> places of what is right, from 1 */
    protected array $keys = [];
    /** @var list<list<int>> sets that the tries hold; 0: something beside all */
    protected array $sets = [];

    /** @param int $most how many one may give */
    public function __construct(protected readonly int $most)
    {
    }

    public function allRight(): ?int
    {
        $whole = min(count($this->keys), $this->most);
        foreach ($this->sets as $i => $set) {
            if ($set !== [] && count($set) === $whole && array_diff($set, $this->keys) === []) {
                return $i;
            }
        }

        return null;
    }

    public function parts(int $try): array
    {
        $right = count(array_intersect($this->sets[$try], $this->keys));

        return [$right, count($this->sets[$try]) - $right];
    }

    public function partCount(): int
    {
        return max(1, min(count($this->keys), $this->most));
    }
}
