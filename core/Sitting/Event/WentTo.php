<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

use Zetema\Core\Time\Instant;

/** The candidate went to another screen of the stretch. */
final readonly class WentTo extends Event
{
    /** @param string $place the id of a place on that screen */
    public function __construct(Instant $at, public string $place)
    {
        parent::__construct($at);
    }
}
