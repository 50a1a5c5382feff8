<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

/** What a clock is of, in the order in which those act that are due together. */
enum ClockKind: string
{
    case Question = 'question';
    case Section = 'section';
    case Whole = 'whole';
    /** When the assessment closes. */
    case Until = 'until';
    /** Of a pause that nobody ends: none of those above runs meanwhile. */
    case Pause = 'pause';
}
