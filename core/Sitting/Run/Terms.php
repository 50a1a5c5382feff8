<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** What holds for one candidate: extra time, and when the assessment closes. */
final readonly class Terms
{
    /**
     * @param Ratio $factor by which all times are multiplied, 1 or above, of at most 6 decimals
     */
    public function __construct(public Ratio $factor, public ?Instant $until = null)
    {
    }

    /** What a time is here. */
    public function time(int $seconds): Duration
    {
        return Duration::seconds($seconds)->times($this->factor);
    }
}
