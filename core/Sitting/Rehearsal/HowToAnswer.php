<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Rehearsal;

use Zetema\Core\Question\Feedback\Outcome;

/** How whoever rehearses has a question answered. */
enum HowToAnswer: string
{
    case Rightly = 'rightly';
    case Partly = 'partly';
    case Wrongly = 'wrongly';
    case ByChance = 'by chance';
    case NotAtAll = 'not at all';

    /** What comes of it; null: whatever does. */
    public function outcome(): ?Outcome
    {
        return match ($this) {
            self::Rightly => Outcome::Right,
            self::Partly => Outcome::Partly,
            self::Wrongly => Outcome::Wrong,
            self::ByChance, self::NotAtAll => null,
        };
    }
}
