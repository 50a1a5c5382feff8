<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Out;

use Zetema\Core\Blueprint\Section;
use Zetema\Core\Exchange\Qti\Writing\WrittenRoute;
use Zetema\Core\Exchange\Qti\Writing\WrittenSection;

/** A section of a test while it is put together. */
final class OpenSection
{
    /** @var list<array{name: string, attempts: int|null, seconds: int|null, isLateMarked: bool, weight: string|null}> */
    public array $items = [];
    public ?int $take = null;
    /** @var list<WrittenRoute> */
    public array $routes = [];
    public bool $isMixed = false;
    /** Whether more may come into it. */
    public bool $isOpen = true;

    /** @param Section $of the blueprint's section it comes from */
    public function __construct(
        public readonly Section $of,
        public readonly string $title,
        public readonly ?string $identifier = null,
        public readonly ?string $reads = null,
    ) {
    }

    public function written(bool $isMixed): WrittenSection
    {
        return new WrittenSection(
            $this->title,
            $this->items,
            $this->take,
            $this->identifier,
            $this->reads,
            $this->routes,
            isMixed: $isMixed,
        );
    }
}
