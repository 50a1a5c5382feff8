<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\State;

/** How and when a sitting ended. */
final readonly class Ended
{
    /** @param int $at in microseconds */
    public function __construct(public Ending $how, public int $at)
    {
    }
}
