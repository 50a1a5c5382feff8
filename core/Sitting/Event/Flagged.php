<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

/** A question was marked to be come back to, or no longer. */
final readonly class Flagged extends AtQuestion
{
    public function __construct(int $at, string $place, public bool $on)
    {
        parent::__construct($at, $place);
    }
}
