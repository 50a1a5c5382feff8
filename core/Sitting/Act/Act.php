<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

use Zetema\Core\Time\Instant;

/** What somebody asks to do in a sitting. Accepted, it becomes an event. */
abstract readonly class Act
{
    /** @param Instant $at in microseconds */
    public function __construct(public Instant $at)
    {
    }
}
