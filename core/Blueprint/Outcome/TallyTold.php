<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Outcome;

/** What a candidate is told of a tally, once points are told: its name and value, the name of its band alone, or nothing. */
enum TallyTold: string
{
    case Value = 'value';
    case Band = 'band';
    case Never = 'never';
}
