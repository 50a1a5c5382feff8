<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

use Zetema\Core\Sitting\State\Assumed;

/** A rehearsal begins in the middle. */
final readonly class Place extends Act implements ByStaff
{
    /** @param Assumed $assumed what is taken to have been reached before the step */
    public function __construct(int $at, public string $step, public Assumed $assumed)
    {
        parent::__construct($at);
    }
}
