<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing;

/** A run of fixed items, the pool of a draw, or further sections. */
final readonly class WrittenSection
{
    /**
     * @param list<array{name: string, attempts: int|null, seconds: int|null, isLateMarked: bool, weight: string|null}> $items by the
     *   question's name; attempts 0: any number; weight null: as it is worth
     * @param int|null $take null: all of them, in this order
     * @param string|null $identifier null: S and its number
     * @param string|null $reads what candidates read before it
     * @param list<WrittenRoute> $routes after it, or that must hold before it
     * @param list<self> $within
     * @param int|null $seconds for all of it
     * @param bool $isMixed whether the items of the sections within stand among each other
     */
    public function __construct(
        public string $title,
        public array $items,
        public ?int $take = null,
        public ?string $identifier = null,
        public ?string $reads = null,
        public array $routes = [],
        public array $within = [],
        public ?int $seconds = null,
        public bool $isMixed = false,
    ) {
    }

    /** @return list<self> those that hold items, in their order */
    public function leaves(): array
    {
        return $this->within === [] ? [$this] : array_merge(...array_map(static fn (self $s): array => $s->leaves(), $this->within));
    }
}
