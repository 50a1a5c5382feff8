<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

use Zetema\Core\Sitting\State\Assumed;
use Zetema\Core\Time\Instant;

/** A rehearsal begins at a step in the middle, as if so much had been reached before. No sitting of a candidate has it. */
final readonly class Placed extends Event
{
    public function __construct(Instant $at, public string $step, public Assumed $assumed)
    {
        parent::__construct($at);
    }
}
