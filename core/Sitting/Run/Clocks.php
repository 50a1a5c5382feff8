<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Sitting\Event\Clock;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\State\State;

/** What the clock brings about next. */
final readonly class Clocks
{
    /** A pause that nobody ends ends the sitting after so long. */
    private const LONGEST_PAUSE = 12 * 3_600 * Terms::SECOND;

    public function __construct(private Paper $paper, private Terms $terms)
    {
    }

    /** The clock whose time is used up first. Of those due together a question's acts first, then a section's, the whole, the closing. */
    public function due(State $state): ?Due
    {
        if (!$state->isRunning()) {
            return null;
        }
        $first = null;
        foreach ($this->running($state) as $due) {
            $first = $first === null || $due->at < $first->at ? $due : $first;
        }

        return $first;
    }

    /** @return list<Due> all that run, in the order in which they would act together; while it is paused the pause's alone */
    public function running(State $state): array
    {
        $pausedAt = $state->pausedAt();
        if ($pausedAt !== null) {
            return [new Due(Clock::pause(), $pausedAt + self::LONGEST_PAUSE)];
        }
        $running = [];
        foreach (array_keys($state->ticking) as $id) {
            $place = $this->paper->questions[$id];
            $visit = $state->visit($place->id);
            $clock = Clock::question($place->name);
            $running[] = new Due($clock, ($visit->runsSince ?? 0) + $this->time((int) $place->seconds, $clock, $state) - $visit->used);
        }
        $section = $state->section === null ? null : $this->paper->sections[$state->section];
        if ($section?->seconds !== null && isset($state->sectionBegan[$state->section]) && !isset($state->sectionOver[$state->section])) {
            $clock = Clock::section($section->id);
            $running[] = new Due($clock, $state->sectionBegan[$state->section] + $this->time($section->seconds, $clock, $state));
        }
        $seconds = $this->paper->seconds();
        if ($seconds !== null) {
            $running[] = new Due(Clock::whole(), (int) $state->startedAt + $this->time($seconds, Clock::whole(), $state) + $state->paused());
        }
        if ($this->terms->until !== null && $this->paper->endsAtClosing()) {
            $running[] = new Due(Clock::until(), $this->terms->until + $state->paused());
        }

        return $running;
    }

    private function time(int $seconds, Clock $clock, State $state): int
    {
        return $this->terms->micros($seconds) + ($state->given[(string) $clock] ?? 0);
    }
}
