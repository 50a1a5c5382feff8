<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** Somebody of the staff added time to a clock. */
final readonly class TimeGiven extends Event
{
    /** @param Duration $time in microseconds */
    public function __construct(Instant $at, public Clock $clock, public Duration $time)
    {
        parent::__construct($at);
    }
}
