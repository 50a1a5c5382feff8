<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Feedback;

/** What came of a response. */
enum Outcome: string
{
    case Right = 'right';
    case Partly = 'partly right';
    case Wrong = 'wrong';
    case Unanswered = 'unanswered';
    case OutOfTime = 'out of time';
    case Recorded = 'recorded';
}
