<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Scoring\Sought;

/** An item, or one of the same text, right after another. */
final readonly class Following extends Sought
{
    /**
     * @param list<int> $after
     * @param list<int> $items
     */
    public function __construct(public array $after, public array $items)
    {
    }

    public function toData(): array
    {
        return ['after' => $this->after, 'items' => $this->items];
    }
}
