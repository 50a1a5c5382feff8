<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Step;

/** Where a choice leads: to a page of its own, then to a place; either may be missing. */
final readonly class Lead
{
    public function __construct(public ?string $page, public ?string $then)
    {
    }
}
