<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

use Zetema\Core\Time\Instant;

/** Something that happened in a sitting. Events are only ever added; the state is what they add up to. */
abstract readonly class Event
{
    /** @param Instant $at in microseconds; of the application's sittings since 1970, UTC */
    public function __construct(public Instant $at)
    {
    }
}
