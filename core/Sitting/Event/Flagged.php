<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

use Zetema\Core\Time\Instant;

/** A question was marked to be come back to, or no longer. */
final readonly class Flagged extends AtQuestion
{
    public function __construct(Instant $at, string $place, public bool $on)
    {
        parent::__construct($at, $place);
    }
}
