<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Rules;

/** How candidates move. */
enum Moving: string
{
    case ForwardOnly = 'forward only';
    case AnyOrder = 'any order';
}
