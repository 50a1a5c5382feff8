<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Outcome;

/** Part of a tally's range, both ends in; without one it is open there. */
final readonly class Band
{
    public function __construct(public ?int $from, public ?int $to, public string $name, public ?string $page)
    {
    }
}
