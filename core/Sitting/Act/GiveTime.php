<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

use Zetema\Core\Sitting\Event\Clock;

/** Somebody of the staff adds time to a clock. */
final readonly class GiveTime extends Act implements ByStaff
{
    /** @param int $time in microseconds, above 0 */
    public function __construct(int $at, public int $time, public Clock $clock)
    {
        parent::__construct($at);
    }
}
