<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\State;

/** The sorts of places that a candidate can be at. */
enum At: string
{
    case Before = 'before';
    case Node = 'node';
    /** A page that a choice leads to. */
    case Lead = 'lead';
    case Refresher = 'refresher';
    /** Behind the last step, not handed in. */
    case End = 'end';
    case Over = 'over';
}
