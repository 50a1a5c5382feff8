<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\State;

use Zetema\Core\Sitting\Paper\Paper;

/** A sitting as its events have left it. Visits are copied before they are changed, so that a copy of the state keeps what it had. */
final class State
{
    public ?int $startedAt = null;
    /** @var array{how: string, at: int}|null */
    public ?array $ended = null;
    public Position $position;
    /** The section that the candidate is in. */
    public ?int $section = null;
    /** @var array<int, int> when each section's clock began */
    public array $sectionBegan = [];
    /** @var array<int, true> sections that were left, or whose clock ran out */
    public array $sectionOver = [];
    /** @var array<string, int> time given, in microseconds, by clock */
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
    /** @var list<array{clock: string, at: int}> */
    public array $ran = [];
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
}
