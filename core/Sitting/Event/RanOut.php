<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

use Zetema\Core\Time\Instant;

/** A clock ran out, whether the candidate was there or not. */
final readonly class RanOut extends Event
{
    public function __construct(Instant $at, public Clock $clock)
    {
        parent::__construct($at);
    }
}
