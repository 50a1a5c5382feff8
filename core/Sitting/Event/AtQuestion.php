<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

use Zetema\Core\Time\Instant;

/** Something that happened at a question. */
abstract readonly class AtQuestion extends Event
{
    /** @param string $place the id of its place in the paper */
    public function __construct(Instant $at, public string $place)
    {
        parent::__construct($at);
    }
}
