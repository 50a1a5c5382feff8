<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

use Zetema\Core\Sitting\State\Assumed;
use Zetema\Core\Time\Instant;

/** A rehearsal begins in the middle. */
final readonly class Place extends Act implements ByStaff
{
    /** @param Assumed $assumed what is taken to have been reached before the step */
    public function __construct(Instant $at, public string $step, public Assumed $assumed)
    {
        parent::__construct($at);
    }
}
