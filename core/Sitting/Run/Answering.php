<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Blueprint\Rules\Rule;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Response\FilledParts;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\TypedText;
use Zetema\Core\Sitting\Act;
use Zetema\Core\Sitting\Act\Refusal;
use Zetema\Core\Sitting\Act\Refused;
use Zetema\Core\Sitting\Event\AtQuestion;
use Zetema\Core\Sitting\Event\Checked;
use Zetema\Core\Sitting\Event\HintOpened;
use Zetema\Core\Sitting\Event\Saved;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\Paper\Screen;
use Zetema\Core\Sitting\State\At;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** Whether something can be saved, checked or opened at a question now. */
final readonly class Answering
{
    public function __construct(private Paper $paper)
    {
    }

    /** @throws Refused */
    public function event(State $state, Act\AtQuestion $act, QuestionPlace $place, Instant $at): AtQuestion
    {
        if (!self::isHere($this->paper, $state, $place)) {
            throw Refused::because(Refusal::QuestionNotHere);
        }
        if (!$state->visit($place->id)->isOpen()) {
            throw Refused::because(Refusal::QuestionClosed);
        }

        return match (true) {
            $act instanceof Act\Save => new Saved($at, $place->id, $act->given->response()),
            $act instanceof Act\Check => new Checked($at, $place->id, $this->checkable($state, $act, $place)),
            default => $this->hint($state, $place, $at),
        };
    }

    public static function isHere(Paper $paper, State $state, QuestionPlace $place): bool
    {
        $screen = $paper->nodes[$state->position->node] ?? null;

        return $state->position->isAt(At::Node) && $screen instanceof Screen && in_array($place, $screen->places, true);
    }

    private function checkable(State $state, Act\Check $act, QuestionPlace $place): Response
    {
        if (!$place->rules->tellsBeforeTheEnd()) {
            throw Refused::because(Refusal::NoCheck);
        }
        $response = $act->given?->response() ?? $state->visit($place->id)->saved;
        if ($response->isBlank()) {
            throw Refused::because(Refusal::Blank);
        }
        if (self::lacksParts($place, $response) || $place->question->kind->notYet($response, $place->settings) !== null) {
            throw Refused::because($response instanceof TypedText ? Refusal::Unreadable : Refusal::Incomplete);
        }

        return $response;
    }

    /** Where all parts are asked for: as many as belong somewhere. Which of them are spare is for the candidate to find. */
    private static function lacksParts(QuestionPlace $place, Response $response): bool
    {
        return $response instanceof FilledParts &&
            $place->rules->flag(Rule::AllParts) &&
            $place->plan->scoring->need->isGreaterThan(Ratio::of(count($response->parts)));
    }

    /** Hints open in their order: from their attempt on, so long after it began. */
    private function hint(State $state, QuestionPlace $place, Instant $at): HintOpened
    {
        $visit = $state->visit($place->id);
        $hint = $place->question->hints[$visit->hints] ?? throw Refused::because(Refusal::NoHint);
        $began = $visit->began[$hint->fromAttempt - 1] ?? throw Refused::because(Refusal::HintOfLaterAttempt);

        return !$at->isBefore($began->plus(Duration::seconds($hint->afterSeconds)))
            ? new HintOpened($at, $place->id)
            : throw Refused::because(Refusal::HintTooSoon);
    }
}
