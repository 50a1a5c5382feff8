<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Sitting\Act\Act;
use Zetema\Core\Sitting\Act\Pause;
use Zetema\Core\Sitting\Act\Refused;
use Zetema\Core\Sitting\Act\WithResponse;
use Zetema\Core\Sitting\Event\Checked;
use Zetema\Core\Sitting\Event\Clock;
use Zetema\Core\Sitting\Event\ClockKind;
use Zetema\Core\Sitting\Event\ClosedByStaff;
use Zetema\Core\Sitting\Event\Event;
use Zetema\Core\Sitting\Event\Flagged;
use Zetema\Core\Sitting\Event\HandedIn;
use Zetema\Core\Sitting\Event\HintOpened;
use Zetema\Core\Sitting\Event\Paused;
use Zetema\Core\Sitting\Event\Placed;
use Zetema\Core\Sitting\Event\RanOut;
use Zetema\Core\Sitting\Event\Resumed;
use Zetema\Core\Sitting\Event\Saved;
use Zetema\Core\Sitting\Event\Started;
use Zetema\Core\Sitting\Event\TimeGiven;
use Zetema\Core\Sitting\Event\WentOn;
use Zetema\Core\Sitting\Event\WentTo;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\State\At;
use Zetema\Core\Sitting\State\Ended;
use Zetema\Core\Sitting\State\Ending;
use Zetema\Core\Sitting\State\Position;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/**
 * Conducts sittings of one paper: takes what candidates and staff do, lets the clock act, and is the one place where events change the
 * state.
 */
final readonly class Conduct
{
    /** A response on its way when time ran out is accepted for so long. */
    public const GRACE_SECONDS = 3;

    private Clocks $clocks;
    private Effects $effects;
    private Moves $moves;
    private Walk $walk;
    private Acceptance $acceptance;

    public function __construct(private Paper $paper, private Terms $terms)
    {
        $this->clocks = new Clocks($paper, $terms);
        $this->effects = new Effects();
        $ways = new Ways($paper);
        $this->moves = new Moves($paper, $this->effects, $ways);
        $this->walk = new Walk($paper, $ways, $this->moves);
        $this->acceptance = new Acceptance($paper, $this->walk);
    }

    public static function grace(): Duration
    {
        return Duration::seconds(self::GRACE_SECONDS);
    }

    public function begin(): State
    {
        return new State($this->paper);
    }

    /** @param iterable<Event> $events that were kept, in their order */
    public function replay(iterable $events): State
    {
        $state = $this->begin();
        foreach ($events as $event) {
            $this->apply($state, $event);
        }

        return $state;
    }

    /** The clock acts up to an act, then the act is done, or refused. */
    public function take(State $state, Act $act): Taken
    {
        $events = [];
        $at = $act->at;
        while (
            ($due = $this->clocks->due($state)) !== null &&
            ($due->at->isBefore($act->at) || ($act instanceof Pause && $due->at->is($act->at)))
        ) {
            if ($this->isInGrace($state, $act, $due)) {
                $at = $due->at;
                break;
            }
            $events[] = $this->clockActs($state, $due);
        }
        $pausedAt = $state->pausedAt();
        if ($pausedAt !== null && $act instanceof WithResponse && !$act->at->since($pausedAt)->isLongerThan(self::grace())) {
            $at = $pausedAt;
        }
        try {
            $event = $this->acceptance->event($state, $act, $at);
        } catch (Refused $e) {
            while (($due = $this->clocks->due($state)) !== null && $due->at->isBefore($act->at)) {
                $events[] = $this->clockActs($state, $due);
            }

            return new Taken($events, $e);
        }
        $this->apply($state, $event);

        return new Taken([...$events, $event]);
    }

    /** @return list<Event> what the clock brings about by now, nobody doing anything */
    public function settle(State $state, Instant $now): array
    {
        $events = [];
        while (($due = $this->clocks->due($state)) !== null && !$due->at->isAfter($now)) {
            $events[] = $this->clockActs($state, $due);
        }

        return $events;
    }

    public function apply(State $state, Event $event): void
    {
        ++$state->events;
        match (true) {
            $event instanceof Started => $this->start($state, $event),
            $event instanceof Saved => ($state->change($event->place)->saved = $event->response),
            $event instanceof Checked => $this->effects->checked(
                $state,
                $this->paper->questions[$event->place],
                $event->response,
                $event->at,
            ),
            $event instanceof HintOpened => ++$state->change($event->place)->hints,
            $event instanceof Flagged => ($state->change($event->place)->isFlagged = $event->on),
            $event instanceof WentOn => $this->moves->goOn($state, $event->at),
            $event instanceof WentTo => $this->moves->goTo($state, $event->place, $event->at),
            $event instanceof TimeGiven => ($state->given[(string) $event->clock] = (
                $state->given[(string) $event->clock] ?? Duration::none()
            )->plus($event->time)),
            $event instanceof RanOut => $this->ranOut($state, $event),
            $event instanceof Paused => $state->pause($event->at),
            $event instanceof Resumed => $state->resume($event->at),
            $event instanceof HandedIn => $this->end($state, Ending::HandedIn, $event->at, false),
            $event instanceof Placed => $this->place($state, $event),
            $event instanceof ClosedByStaff => $this->end($state, Ending::ClosedByStaff, $event->at, $this->dropsWhatIsOpen()),
            default => throw new \LogicException('there is no such event'),
        };
    }

    private function start(State $state, Started $event): void
    {
        $state->startedAt = $event->at;
        $this->moves->proceed($state, 0, $event->at);
    }

    private function place(State $state, Placed $event): void
    {
        $state->unarrived();
        $state->assumed = $event->assumed;
        $this->moves->proceed($state, $this->paper->target($event->step, -1), $event->at);
    }

    private function clockActs(State $state, Due $due): Event
    {
        $event = $due->clock->kind === ClockKind::Pause ? new ClosedByStaff($due->at) : new RanOut($due->at, $due->clock);
        $this->apply($state, $event);

        return $event;
    }

    private function ranOut(State $state, RanOut $event): void
    {
        $state->ran[] = ['clock' => (string) $event->clock, 'at' => $event->at];
        match ($event->clock->kind) {
            ClockKind::Question => $this->effects->ranOut(
                $state,
                $this->paper->questionNamed($event->clock->name) ?? throw new \LogicException('its clock runs'),
                $event->at,
            ),
            ClockKind::Section => $this->sectionRanOut($state, $event->at),
            ClockKind::Whole => $this->end($state, Ending::WholeRanOut, $event->at, $this->dropsWhatIsOpen()),
            ClockKind::Until => $this->end($state, Ending::Until, $event->at, $this->dropsWhatIsOpen()),
            ClockKind::Pause => throw new \LogicException('staff’s close ends a pause that nobody ended'),
        };
    }

    /** Its open questions are closed, the rest of its path is walked, and the candidate arrives where it leads. */
    private function sectionRanOut(State $state, Instant $at): void
    {
        $section = $state->section ?? throw new \LogicException('its clock runs');
        $node = $this->walk->rest($state, $at, $this->dropsWhatIsOpen(), $section);
        $state->sectionOver[$section] = true;
        if (!$state->position->isAt(At::End)) {
            $this->moves->proceed($state, $node, $at);
        }
    }

    private function end(State $state, Ending $how, Instant $at, bool $drops): void
    {
        $this->walk->rest($state, $at, $drops);
        $state->ended = new Ended($how, $at);
        $state->position = Position::over();
    }

    private function dropsWhatIsOpen(): bool
    {
        return $this->paper->blueprint->rules->dropsWhatIsOpen();
    }

    /** Whether a response came so shortly after a clock was due under which its question is, that it counts as come in time. */
    private function isInGrace(State $state, Act $act, Due $due): bool
    {
        $place = $act instanceof WithResponse ? $this->paper->questionNamed($act->question) : null;
        if (
            $place === null ||
            $act->at->since($due->at)->isLongerThan(self::grace()) ||
            !$state->visit($place->id)->isOpen() ||
            !Answering::isHere($this->paper, $state, $place)
        ) {
            return false;
        }

        return $due->clock->kind !== ClockKind::Question || $due->clock->name === $place->name;
    }
}
