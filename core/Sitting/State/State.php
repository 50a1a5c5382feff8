<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\State;

use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** A sitting as its events have left it. Visits are copied before they are changed, so that a copy of the state keeps what it had. */
final class State
{
    public ?Instant $startedAt = null;
    public ?Ended $ended = null;
    public Position $position;
    /** The section that the candidate is in. */
    public ?int $section = null;
    /** @var array<int, Instant> when each section's clock began */
    public array $sectionBegan = [];
    /** @var array<int, true> sections that were left, or whose clock ran out */
    public array $sectionOver = [];
    /** @var array<string, Duration> time given, by clock */
    public array $given = [];
    /** @var array<array-key, true> places of questions whose clock runs; an id of digits is a number as a key */
    public array $ticking = [];
    /** @var list<string> places of questions, in the order in which they came onto the candidate's path */
    public array $asked = [];
    /** @var list<string> */
    public array $path = [];
    /** @var list<array{checkpoint: string, to: string}> */
    public array $routes = [];
    /** Where the announced checkpoint leads that the candidate is at. */
    public int $decided = -1;
    /** @var list<array{clock: string, at: Instant}> */
    public array $ran = [];
    /** @var list<array{from: Instant, to: Instant|null}> when it was paused; to null: it is still */
    public array $pauses = [];
    /** What a rehearsal takes to have been reached before it began in the middle. */
    public Assumed $assumed;
    /** How many events led here. */
    public int $events = 0;
    /** @var array<array-key, Visit> by place */
    private array $visits = [];

    public function __construct(Paper $paper)
    {
        $this->position = Position::before();
        $this->assumed = Assumed::nothing();
        foreach ($paper->questions as $id => $place) {
            $this->visits[$id] = new Visit();
        }
    }

    /** As if nothing had been arrived at yet. */
    public function unarrived(): void
    {
        foreach ($this->asked as $place) {
            $this->visits[$place] = new Visit();
        }
        $this->asked = $this->path = $this->routes = $this->ticking = $this->sectionBegan = $this->sectionOver = [];
        $this->section = null;
    }

    public function isRunning(): bool
    {
        return $this->startedAt !== null && $this->ended === null;
    }

    public function isPaused(): bool
    {
        return $this->pausedAt() !== null;
    }

    /** @return Instant|null since when it is paused; null: it is not */
    public function pausedAt(): ?Instant
    {
        $last = $this->pauses[count($this->pauses) - 1] ?? null;

        return $last !== null && $last['to'] === null ? $last['from'] : null;
    }

    /** A second pause changes nothing. */
    public function pause(Instant $at): void
    {
        if (!$this->isPaused()) {
            $this->pauses[] = ['from' => $at, 'to' => null];
        }
    }

    /** What runs goes on from here as if no time had passed. */
    public function resume(Instant $at): void
    {
        $pausedAt = $this->pausedAt();
        if ($pausedAt === null) {
            return;
        }
        $length = $at->since($pausedAt);
        $this->pauses[count($this->pauses) - 1] = ['from' => $pausedAt, 'to' => $at];
        $this->sectionBegan = array_map(static fn (Instant $began): Instant => $began->plus($length), $this->sectionBegan);
        foreach ($this->asked as $place) {
            if ($this->visits[$place]->closed === null && $this->visits[$place]->began !== []) {
                $this->change($place)->shift($length);
            }
        }
    }

    /** How long the sitting was paused up to a moment. */
    public function paused(Instant $to): Duration
    {
        return $this->pausedBetween($this->startedAt ?? $to, $to);
    }

    /**
     * From first arrival at a question until nothing could change its mark, pauses left out; null where that tells no time
     * spent on it: it could be left and come back to, or was never closed.
     */
    public function took(QuestionPlace $place, Paper $paper): ?Duration
    {
        $visit = $this->visits[$place->id];

        return $paper->isAnyOrder($place) || $visit->shown === null || $visit->closed === null
            ? null
            : $visit->closed->since($visit->shown)->minus($this->pausedBetween($visit->shown, $visit->closed));
    }

    /** @return array<array-key, Visit> by place */
    public function visits(): array
    {
        return $this->visits;
    }

    public function visit(string $place): Visit
    {
        return $this->visits[$place];
    }

    /** A question comes onto the candidate's path. */
    public function ask(string $place): void
    {
        if (!$this->visits[$place]->isAsked) {
            $this->change($place)->isAsked = true;
            $this->asked[] = $place;
        }
    }

    /** The visit, to be changed. */
    public function change(string $place): Visit
    {
        return $this->visits[$place] = clone $this->visits[$place];
    }

    private function pausedBetween(Instant $from, Instant $to): Duration
    {
        $sum = Duration::none();
        foreach ($this->pauses as $pause) {
            $since = $from->later($pause['from']);
            $until = $to->earlier($pause['to'] ?? $to);
            $sum = $since->isBefore($until) ? $sum->plus($until->since($since)) : $sum;
        }

        return $sum;
    }
}
