<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Sitting\Event\Clock;
use Zetema\Core\Time\Instant;

/** A clock that runs, and when its time is used up. */
final readonly class Due
{
    public function __construct(public Clock $clock, public Instant $at)
    {
    }
}
