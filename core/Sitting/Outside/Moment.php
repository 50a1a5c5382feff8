<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Outside;

use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** Moments as they are written: seconds from the start, in text. */
final class Moment
{
    /** @return Instant|null null if it is no moment of at most 3 decimals */
    public static function read(mixed $written): ?Instant
    {
        return is_string($written) && preg_match('/^\d{1,10}(\.\d{1,3})?$/D', $written) === 1
            ? Instant::start()->plus(Duration::decimal($written))
            : null;
    }

    public static function write(Instant $moment): string
    {
        return $moment->since(Instant::start())->inDecimals();
    }
}
