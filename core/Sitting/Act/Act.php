<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

/** What somebody asks to do in a sitting. Accepted, it becomes an event. */
abstract readonly class Act
{
    /** @param int $at in microseconds */
    public function __construct(public int $at)
    {
    }
}
