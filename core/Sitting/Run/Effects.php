<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Marking\Feedback\FeedbackChooser;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Verdict;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Settings\Late;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\State\Mark;
use Zetema\Core\Sitting\State\MarkReason;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Sitting\State\Visit;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/**
 * What a marked response brings about, always in this order: the mark; with it the tallies, which are sums over the marks that stand; the
 * feedback; and whether the round is over, on which the way depends.
 */
final readonly class Effects
{
    public function __construct(private Marker $marker = new Marker(), private FeedbackChooser $chooser = new FeedbackChooser())
    {
    }

    /** A response is checked. */
    public function checked(State $state, QuestionPlace $place, Response $response, Instant $at): void
    {
        $visit = $state->change($place->id);
        $attempt = $visit->attempt();
        $verdict = $this->marker->mark($place->plan, $response, $attempt, $visit->hints);
        $over =
            in_array($verdict->outcome, [Outcome::Right, Outcome::Recorded], true) ||
            ($place->attempts !== null && $attempt >= $place->attempts);
        $tells = $place->rules->tellsEachAttempt() || ($over && $place->rules->tellsBeforeTheEnd());
        $visit->add(
            new Mark(
                $at,
                count($visit->rounds),
                $attempt,
                $response,
                $verdict,
                true,
                $tells ? $this->feedback($place, $response, $verdict, $attempt) : [],
                MarkReason::Checked,
                $visit->hints,
                $this->lost($place, $response, $attempt, $visit->hints, $verdict),
            ),
        );
        $visit->began[] = $at;
        if ($over) {
            $this->endRound($state, $place, $visit, $at);
        }
    }

    /** The question's clock ran out: what was saved since the last check is marked as its rule for late responses says. */
    public function ranOut(State $state, QuestionPlace $place, Instant $at): void
    {
        $visit = $state->change($place->id);
        if ($visit->awaitsRefresher) {
            // the clock ran on meanwhile: the round to come is out of time, with nothing entered
            $visit->rounds[] = [];
            $visit->awaitsRefresher = false;
        }
        $attempt = $visit->attempt();
        $response = $visit->saved;
        $verdict = $this->marker->mark($place->plan, $response, $attempt, $visit->hints, late: true);
        $counts = !$response->isBlank() && $place->plan->penalties->late === Late::Marks;
        $tells = $place->rules->tellsBeforeTheEnd();
        $visit->add(
            new Mark(
                $at,
                count($visit->rounds),
                $attempt,
                $response,
                $verdict,
                $counts,
                $tells ? $this->feedback($place, $counts ? $response : Response::blank(), $verdict, $attempt, $counts) : [],
                MarkReason::RanOut,
                $visit->hints,
                $this->lost($place, $response, $attempt, $visit->hints, $verdict, late: true),
            ),
        );
        $visit->ranOut = true;
        $this->close($state, $place, $visit, $at);
    }

    /** What was saved since the last check is marked as the next attempt, without feedback; nothing where nothing was. */
    public function markSaved(State $state, QuestionPlace $place, Instant $at): void
    {
        $visit = $state->visit($place->id);
        if ($visit->saved->isBlank() || !$visit->isOpen()) {
            return;
        }
        $visit = $state->change($place->id);
        $response = $visit->saved;
        $attempt = $visit->attempt();
        $verdict = $this->marker->mark($place->plan, $response, $attempt, $visit->hints);
        $visit->add(
            new Mark(
                $at,
                count($visit->rounds),
                $attempt,
                $response,
                $verdict,
                true,
                [],
                MarkReason::Left,
                $visit->hints,
                $this->lost($place, $response, $attempt, $visit->hints, $verdict),
            ),
        );
    }

    /**
     * A question is left for good.
     *
     * @param bool $drops whether what was saved and not checked counts nothing
     */
    public function leave(State $state, QuestionPlace $place, Instant $at, bool $drops = false): void
    {
        if ($state->visit($place->id)->closed !== null) {
            return;
        }
        if (!$drops) {
            $this->markSaved($state, $place, $at);
        }
        $state->ask($place->id);
        $visit = $state->change($place->id);
        $visit->saved = Response::blank();
        if ($visit->allMarks() === []) {
            $visit->blank = new Mark(
                $at,
                1,
                0,
                Response::blank(),
                $this->marker->mark($place->plan, Response::blank(), 1, $visit->hints),
                false,
                [],
                MarkReason::Blank,
                $visit->hints,
                Points::zero(),
            );
        }
        $this->close($state, $place, $visit, $at);
    }

    /** Its round is over: closed, unless a refresher is to come, during which its clock stands still, if it is not set to run on. */
    public function endRound(State $state, QuestionPlace $place, Visit $visit, Instant $at): void
    {
        if (!$visit->hasRefresherToCome($place)) {
            $this->close($state, $place, $visit, $at);

            return;
        }
        $visit->awaitsRefresher = true;
        if ($place->refresher?->clockRunsOn !== true) {
            $this->stop($state, $place, $visit, $at);
        }
    }

    /** Back from the refresher: response cleared, attempts from 1, hints stay paid. */
    public function newRound(State $state, QuestionPlace $place, Instant $at): void
    {
        $visit = $state->change($place->id);
        $visit->rounds[] = [];
        $visit->awaitsRefresher = false;
        $visit->saved = Response::blank();
        $visit->began = [$at];
        if ($place->refresher?->timeAfresh === true) {
            $visit->used = Duration::none();
            $visit->runsSince = $visit->runsSince === null ? null : $at;
        }
        $this->run($state, $place, $visit, $at);
    }

    /** Its clock runs, where it has one. */
    public function run(State $state, QuestionPlace $place, Visit $visit, Instant $at): void
    {
        if ($place->seconds !== null && $visit->runsSince === null) {
            $visit->runsSince = $at;
            $state->ticking[$place->id] = true;
        }
    }

    private function close(State $state, QuestionPlace $place, Visit $visit, Instant $at): void
    {
        $visit->awaitsRefresher = false;
        $visit->closed = $at;
        $this->stop($state, $place, $visit, $at);
    }

    private function stop(State $state, QuestionPlace $place, Visit $visit, Instant $at): void
    {
        if ($visit->runsSince !== null) {
            $visit->used = $visit->used->plus($at->since($visit->runsSince));
            $visit->runsSince = null;
            unset($state->ticking[$place->id]);
        }
    }

    /** What a mark would have earned without hints, less what it earned. */
    private function lost(QuestionPlace $place, Response $response, int $attempt, int $hints, Verdict $verdict, bool $late = false): Points
    {
        return $hints === 0
            ? Points::zero()
            : $this->marker->mark($place->plan, $response, $attempt, late: $late)->earned->plus($verdict->earned->negated());
    }

    /** @return list<string|null> */
    private function feedback(QuestionPlace $place, Response $response, Verdict $verdict, int $attempt, bool $counts = true): array
    {
        return $this->chooser->shown(
            $place->question,
            $place->plan,
            $response,
            $verdict,
            $attempt,
            $attempt === $place->attempts,
            $counts,
        );
    }
}
