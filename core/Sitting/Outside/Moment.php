<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Outside;

use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Sitting\Run\Terms;

/** Moments as they are written: seconds from the start, in text. */
final class Moment
{
    /** @return int|null microseconds; null if it is no moment of at most 3 decimals */
    public static function read(mixed $written): ?int
    {
        return is_string($written) && preg_match('/^\d{1,10}(\.\d{1,3})?$/D', $written) === 1 ? (int) (string) Ratio::of($written)->multipliedBy(Terms::SECOND) : null;
    }

    public static function write(int $micros): string
    {
        return (string) Ratio::of($micros)->dividedBy(Terms::SECOND)->decimal();
    }
}
