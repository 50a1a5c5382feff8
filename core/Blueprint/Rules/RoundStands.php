<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Rules;

/** Which of the rounds between refreshers stands. */
enum RoundStands: string
{
    case Last = 'last';
    case Best = 'best';
    case First = 'first';
}
