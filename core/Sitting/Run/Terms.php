<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Numbers\Ratio;

/** What holds for one candidate: extra time, and when the assessment closes. */
final readonly class Terms
{
    public const SECOND = 1_000_000;

    /**
     * @param Ratio $factor by which all times are multiplied, 1 or above, of at most 6 decimals
     * @param int|null $until in microseconds
     */
    public function __construct(public Ratio $factor, public ?int $until = null)
    {
    }

    /** Microseconds that a time has here. */
    public function micros(int $seconds): int
    {
        return (int) (string) $this->factor->multipliedBy($seconds * self::SECOND);
    }
}
