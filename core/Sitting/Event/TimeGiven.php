<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

/** Somebody of the staff added time to a clock. */
final readonly class TimeGiven extends Event
{
    /** @param int $time in microseconds */
    public function __construct(int $at, public Clock $clock, public int $time)
    {
        parent::__construct($at);
    }
}
