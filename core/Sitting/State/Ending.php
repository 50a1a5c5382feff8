<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\State;

/** How a sitting ended. */
enum Ending: string
{
    case HandedIn = 'handed in';
    case WholeRanOut = 'whole ran out';
    case Until = 'until';
    case ClosedByStaff = 'closed by staff';

    /** Whether a clock ended it. */
    public function isByClock(): bool
    {
        return $this === self::WholeRanOut || $this === self::Until;
    }
}
