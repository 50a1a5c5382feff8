<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\State;

use Zetema\Core\Time\Instant;

/** How and when a sitting ended. */
final readonly class Ended
{
    public function __construct(public Ending $how, public Instant $at)
    {
    }
}
