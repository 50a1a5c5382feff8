<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\State;

use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** How far a candidate has come with one question: its rounds with their attempts, hints, time. */
final class Visit
{
    /** Whether it is on the candidate's path. */
    public bool $isAsked = false;
    public ?Instant $shown = null;
    /** From when nothing can change its mark. */
    public ?Instant $closed = null;
    /** What was saved since the last check. */
    public Response $saved;
    public int $hints = 0;
    public bool $isFlagged = false;
    /** @var non-empty-list<list<Mark>> the marks of each round */
    public array $rounds = [[]];
    /** Whether the round is over and a refresher is to come. */
    public bool $awaitsRefresher = false;
    /** @var list<Instant> when each attempt of the round began */
    public array $began = [];
    /** What not answering it came to. */
    public ?Mark $blank = null;
    public bool $ranOut = false;
    /** What of its time was used before the clock last stood still. */
    public Duration $used;
    /** Since when its clock runs; null: it does not. */
    public ?Instant $runsSince = null;

    public function __construct()
    {
        $this->saved = Response::blank();
        $this->used = Duration::none();
    }

    public function isOpen(): bool
    {
        return $this->closed === null && !$this->awaitsRefresher;
    }

    /** @return list<Mark> of this round */
    public function marks(): array
    {
        return $this->rounds[count($this->rounds) - 1];
    }

    /** @return list<Mark> of all rounds */
    public function allMarks(): array
    {
        return array_merge(...$this->rounds);
    }

    /** The attempt that is to come. */
    public function attempt(): int
    {
        return count($this->marks()) + 1;
    }

    public function lastMark(): ?Mark
    {
        $marks = $this->allMarks();

        return $marks[count($marks) - 1] ?? null;
    }

    /** All that runs began so much later. */
    public function shift(Duration $by): void
    {
        $this->began = array_map(static fn (Instant $began): Instant => $began->plus($by), $this->began);
        $this->runsSince = $this->runsSince?->plus($by);
    }

    /** Whether neither anything is saved nor was anything marked. */
    public function isBlank(): bool
    {
        return $this->saved->isBlank() && $this->allMarks() === [];
    }

    /** Whether anything was given to it: a question that ran out blank has a mark, and no answer. */
    public function isAnswered(): bool
    {
        return !$this->saved->isBlank() ||
            array_filter($this->allMarks(), static fn (Mark $mark): bool => !$mark->response->isBlank()) !== [];
    }

    /** Attempts used up, and the last not right. Who left with attempts to go, or ran out of time, has not failed. */
    public function hasFailed(QuestionPlace $place): bool
    {
        $marks = $this->marks();
        $last = $marks[count($marks) - 1] ?? null;

        return $last !== null &&
            count($marks) === $place->attempts &&
            in_array($last->verdict->outcome, [Outcome::Wrong, Outcome::Partly], true);
    }

    /** Whether it failed and can be sent to a refresher still. */
    public function hasRefresherToCome(QuestionPlace $place): bool
    {
        return $place->refresher !== null && count($this->rounds) <= $place->refresher->rounds && $this->hasFailed($place);
    }

    public function add(Mark $mark): void
    {
        $rounds = $this->rounds;
        $rounds[count($rounds) - 1][] = $mark;
        $this->rounds = $rounds;
        $this->saved = Response::blank();
    }
}
