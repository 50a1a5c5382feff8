<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Rules;

/** When a candidate is told how an answer was. */
enum Telling: string
{
    case EachAttempt = 'after each attempt';
    case LastAttempt = 'after the last attempt';
    case AtTheEnd = 'at the end';
    case Never = 'never';
}
