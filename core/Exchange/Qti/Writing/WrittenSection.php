<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing;

/** A run of fixed items, or the pool of a draw. */
final readonly class WrittenSection
{
    /**
     * @param list<array{name: string, attempts: int|null, seconds: int|null, isLateMarked: bool, weight: string|null}> $items by the question's name; attempts 0: any number; weight null: as it is worth
     * @param int|null $take null: all of them, in this order
     */
    public function __construct(public string $title, public array $items, public ?int $take = null)
    {
    }
}
