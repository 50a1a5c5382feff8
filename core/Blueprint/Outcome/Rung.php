<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Outcome;

/** The ladder of review: each rung includes those below it. */
enum Rung: string
{
    case Nothing = 'nothing';
    case PassedOrNot = 'passed or not';
    case Total = 'total';
    case Objectives = 'objectives';
    case OwnPaper = 'own paper';
    case MarkedPaper = 'marked paper';
    case WithKey = 'marked paper with key and feedback';

    public function includes(self $other): bool
    {
        return array_search($this, self::cases(), true) >= array_search($other, self::cases(), true);
    }
}
