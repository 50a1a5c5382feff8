<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Sitting\Event\Clock;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** What the clock brings about next. */
final readonly class Clocks
{
    /** A pause that nobody ends ends the sitting after so long. */
    private const LONGEST_PAUSE_HOURS = 12;

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
            $first = $first === null || $due->at->isBefore($first->at) ? $due : $first;
        }

        return $first;
    }

    /** @return list<Due> all that run, in the order in which they would act together; while it is paused the pause's alone */
    public function running(State $state): array
    {
        $pausedAt = $state->pausedAt();
        if ($pausedAt !== null) {
            return [new Due(Clock::pause(), $pausedAt->plus(Duration::hours(self::LONGEST_PAUSE_HOURS)))];
        }
        $running = [];
        foreach (array_keys($state->ticking) as $id) {
            $place = $this->paper->questions[$id];
            $visit = $state->visit($place->id);
            $clock = Clock::question($place->name);
            $running[] = new Due(
                $clock,
                ($visit->runsSince ?? throw new \LogicException('it ticks'))
                    ->plus($this->time((int) $place->seconds, $clock, $state))
                    ->minus($visit->used),
            );
        }
        $section = $state->section === null ? null : $this->paper->sections[$state->section];
        if ($section?->seconds !== null && isset($state->sectionBegan[$state->section]) && !isset($state->sectionOver[$state->section])) {
            $clock = Clock::section($section->id);
            $running[] = new Due($clock, $state->sectionBegan[$state->section]->plus($this->time($section->seconds, $clock, $state)));
        }
        // What is over stays as long as it was; while it is paused nothing of this is asked.
        $paused =
            $state->pauses === [] ? Duration::none() : $state->paused($state->pauses[count($state->pauses) - 1]['to'] ?? Instant::start());
        $seconds = $this->paper->seconds();
        if ($seconds !== null && $state->startedAt !== null) {
            $running[] = new Due(Clock::whole(), $state->startedAt->plus($this->time($seconds, Clock::whole(), $state))->plus($paused));
        }
        if ($this->terms->until !== null && $this->paper->endsAtClosing()) {
            $running[] = new Due(Clock::until(), $this->terms->until->plus($paused));
        }

        return $running;
    }

    private function time(int $seconds, Clock $clock, State $state): Duration
    {
        return $this->terms->time($seconds)->plus($state->given[(string) $clock] ?? Duration::none());
    }
}
