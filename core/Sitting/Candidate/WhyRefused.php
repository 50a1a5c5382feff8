<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Candidate;

/** Why something cannot be done now, in a candidate's words. */
final class WhyRefused
{
    public static function inWords(string $why): string
    {
        return match ($why) {
            'do/started' => 'This sitting has begun already.',
            'do/notStarted' => 'This sitting has not begun.',
            'do/ended' => 'This paper has been handed in, or its time has run out.',
            'question/closed' => 'This question is closed; its mark stands.',
            'question/notHere', 'step/notHere', 'question/unknown', 'step/unknown' => 'That is not on this screen any more; what is there now is shown.',
            'question/left' => 'This question had a time of its own; once left it cannot be come back to.',
            'response/blank' => 'There is nothing to check yet.',
            'response/incomplete' => 'Something is missing still; complete it, then check.',
            'response/owed' => 'A question here must be answered first.',
            'text/unreadable' => 'This cannot be read as a number. No attempt was used.',
            'do/noCheck' => 'Nothing is checked before this paper is handed in.',
            'do/forwardOnly' => 'Here one can only go forward.',
            'do/atEnd' => 'This is the end; the paper can be handed in.',
            'hint/none' => 'There is no further hint.',
            'hint/attempt' => 'This hint opens at a later attempt.',
            'hint/tooSoon' => 'This hint opens a little later.',
            'clock/unknown' => 'There is no such clock.',
            'clock/ranOut' => 'This clock has run out or stopped for good.',
            default => 'That cannot be done.',
        };
    }
}
