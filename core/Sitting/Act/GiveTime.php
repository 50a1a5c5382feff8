<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

use Zetema\Core\Sitting\Event\Clock;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** Somebody of the staff adds time to a clock. */
final readonly class GiveTime extends Act implements ByStaff
{
    /** @param Duration $time in microseconds, above 0 */
    public function __construct(Instant $at, public Duration $time, public Clock $clock)
    {
        parent::__construct($at);
    }
}
