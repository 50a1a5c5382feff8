<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Scoring\Sought;

/** An item, or one of the same text, at a place of the order, from 1. */
final readonly class AtPlace extends Sought
{
    /** @param list<int> $items */
    public function __construct(public int $place, public array $items)
    {
    }

    public function toData(): array
    {
        return ['place' => $this->place, 'items' => $this->items];
    }

    public function line(): array
    {
        return [$this->place, 0];
    }
}
