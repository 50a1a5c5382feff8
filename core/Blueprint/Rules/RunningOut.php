<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Rules;

/** What a saved, unchecked response is worth when section, whole or closing time run out. */
enum RunningOut: string
{
    case AsItStands = 'as it stands';
    case Unanswered = 'unanswered';
}
