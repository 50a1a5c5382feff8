<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Blueprint\Rules\Rule;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Response\FilledParts;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\TypedText;
use Zetema\Core\Sitting\Event\AtQuestion;
use Zetema\Core\Sitting\Event\Checked;
use Zetema\Core\Sitting\Event\HintOpened;
use Zetema\Core\Sitting\Event\Saved;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\Paper\Screen;
use Zetema\Core\Sitting\State\Position;
use Zetema\Core\Sitting\State\State;

/** Whether something can be saved, checked or opened at a question now. */
final readonly class Answering
{
    public function __construct(private Paper $paper)
    {
    }

    /** @throws Refused */
    public function event(State $state, Act $act, QuestionPlace $place, int $at): AtQuestion
    {
        if (!self::isHere($this->paper, $state, $place)) {
            throw new Refused('question/notHere');
        }
        if (!$state->visit($place->id)->isOpen()) {
            throw new Refused('question/closed');
        }

        return match ($act->do) {
            Act::SAVE => new Saved($at, $place->id, self::read($place, $act->response)),
            Act::CHECK => new Checked($at, $place->id, $this->checkable($state, $act, $place)),
            default => $this->hint($state, $place, $at),
        };
    }

    public static function isHere(Paper $paper, State $state, QuestionPlace $place): bool
    {
        $screen = $paper->nodes[$state->position->node] ?? null;

        return $state->position->isAt(Position::NODE) && $screen instanceof Screen && in_array($place, $screen->places, true);
    }

    /** A response as it came. While it is being filled in it may have fewer choices than asked for. */
    private static function read(QuestionPlace $place, mixed $given): Response
    {
        try {
            return $place->question->kind->response($given, $place->settings, complete: false);
        } catch (Malformed) {
            throw new Refused($place->question->kind::id()->facts()->field . '/malformed');
        }
    }

    private function checkable(State $state, Act $act, QuestionPlace $place): Response
    {
        if (!$place->rules->tellsBeforeTheEnd()) {
            throw new Refused('do/noCheck');
        }
        $response = $act->says ? self::read($place, $act->response) : $state->visit($place->id)->saved;
        if ($response->isBlank()) {
            throw new Refused('response/blank');
        }
        if (self::lacksParts($place, $response) || $place->question->kind->notYet($response, $place->settings) !== null) {
            throw new Refused($response instanceof TypedText ? 'text/unreadable' : 'response/incomplete');
        }

        return $response;
    }

    /** Where all parts are asked for: as many as belong somewhere. Which of them are spare is for the candidate to find. */
    private static function lacksParts(QuestionPlace $place, Response $response): bool
    {
        return $response instanceof FilledParts && $place->rules->flag(Rule::AllParts) && $place->plan->scoring->need->isGreaterThan(Ratio::of(count($response->parts)));
    }

    /** Hints open in their order: from their attempt on, so long after it began. */
    private function hint(State $state, QuestionPlace $place, int $at): HintOpened
    {
        $visit = $state->visit($place->id);
        $hint = $place->question->hints[$visit->hints] ?? throw new Refused('hint/none');
        $began = $visit->began[$hint->fromAttempt - 1] ?? throw new Refused('hint/attempt');

        return $at >= $began + $hint->afterSeconds * Terms::SECOND ? new HintOpened($at, $place->id) : throw new Refused('hint/tooSoon');
    }
}
