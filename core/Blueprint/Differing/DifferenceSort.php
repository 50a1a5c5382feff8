<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Differing;

/** What sort of thing differs. */
enum DifferenceSort: string
{
    case Title = 'title';
    case Step = 'step';
    case Section = 'section';
    case Order = 'order';
    case Rule = 'rule';
    case Setting = 'setting';
    case PassMark = 'pass mark';
    case Minimum = 'minimum';
    case Tally = 'tally';
    case Other = 'other';
}
