<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\State;

/** Why a mark was made. */
enum MarkReason: string
{
    case Checked = 'checked';
    /** The question was left for good, with something saved. */
    case Left = 'left';
    case RanOut = 'ran out';
    /** It was left for good, with nothing given. */
    case Blank = 'blank';
}
