<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting;

enum EventType: string
{
    case Started = 'started';
    case Saved = 'saved';
    case Checked = 'checked';
    case HintOpened = 'hint opened';
    case Flagged = 'flagged';
    case Unflagged = 'unflagged';
    case HandedIn = 'handed in';
    case RanOut = 'ran out';
}
