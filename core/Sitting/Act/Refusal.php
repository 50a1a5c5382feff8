<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

/**
 * Why an act cannot be done, in the order in which it is looked for. Missing, Unexpected and Malformed are of a field, which is named
 * before them: "seconds/malformed".
 */
enum Refusal: string
{
    case UnknownAct = 'do/unknown';
    case MomentMalformed = 'at/malformed';
    case Backwards = 'at/backwards';
    case Missing = 'missing';
    case Unexpected = 'unexpected';
    case Malformed = 'malformed';
    case NotStarted = 'do/notStarted';
    case Started = 'do/started';
    case Ended = 'do/ended';
    case Paused = 'do/paused';
    case NotPaused = 'do/notPaused';
    case QuestionUnknown = 'question/unknown';
    case StepUnknown = 'step/unknown';
    case QuestionNotHere = 'question/notHere';
    case StepNotHere = 'step/notHere';
    case QuestionClosed = 'question/closed';
    case NoCheck = 'do/noCheck';
    case Blank = 'response/blank';
    case Incomplete = 'response/incomplete';
    case Unreadable = 'text/unreadable';
    case NoHint = 'hint/none';
    case HintOfLaterAttempt = 'hint/attempt';
    case HintTooSoon = 'hint/tooSoon';
    case ForwardOnly = 'do/forwardOnly';
    case Left = 'question/left';
    case AtEnd = 'do/atEnd';
    case Owed = 'response/owed';
    case ClockUnknown = 'clock/unknown';
    case ClockRanOut = 'clock/ranOut';

    /** In a candidate's words. */
    public function inWords(): string
    {
        return match ($this) {
            self::UnknownAct => 'That cannot be done.',
            self::MomentMalformed => 'This is no moment that it could have been done at.',
            self::Backwards => 'This came before something that was done already.',
            self::Missing => 'Something that belongs to it is missing.',
            self::Unexpected => 'Something is said with it that does not belong to it.',
            self::Malformed => 'This cannot be read.',
            self::NotStarted => 'This sitting has not begun.',
            self::Started => 'This sitting has begun already.',
            self::Ended => 'This paper has been handed in, or its time has run out.',
            self::Paused => 'This sitting is paused: no time runs, and what is typed is kept until it goes on.',
            self::NotPaused => 'This sitting is not paused.',
            self::QuestionUnknown => 'That question is not in this paper.',
            self::StepUnknown => 'That page is not in this paper.',
            self::QuestionNotHere => 'That is not on this screen any more; what is there now is shown.',
            self::StepNotHere => 'That page cannot be gone to from here; what is there now is shown.',
            self::QuestionClosed => 'This question is closed; its mark stands.',
            self::NoCheck => 'Nothing is checked before this paper is handed in.',
            self::Blank => 'There is nothing to check yet.',
            self::Incomplete => 'Something is missing still; complete it, then check.',
            self::Unreadable => 'This cannot be read as a number. No attempt was used.',
            self::NoHint => 'There is no further hint.',
            self::HintOfLaterAttempt => 'This hint opens at a later attempt.',
            self::HintTooSoon => 'This hint opens a little later.',
            self::ForwardOnly => 'Here one can only go forward.',
            self::Left => 'This question had a time of its own; once left it cannot be come back to.',
            self::AtEnd => 'This is the end; the paper can be handed in.',
            self::Owed => 'A question here must be answered first.',
            self::ClockUnknown => 'There is no such clock.',
            self::ClockRanOut => 'This clock has run out or stopped for good.',
        };
    }
}
