<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Sitting\Act\Act;
use Zetema\Core\Sitting\Act\AtQuestion;
use Zetema\Core\Sitting\Act\ByStaff;
use Zetema\Core\Sitting\Act\Close;
use Zetema\Core\Sitting\Act\Flag;
use Zetema\Core\Sitting\Act\GiveTime;
use Zetema\Core\Sitting\Act\GoOn;
use Zetema\Core\Sitting\Act\HandIn;
use Zetema\Core\Sitting\Act\MoveTo;
use Zetema\Core\Sitting\Act\Pause;
use Zetema\Core\Sitting\Act\Place;
use Zetema\Core\Sitting\Act\Refusal;
use Zetema\Core\Sitting\Act\Refused;
use Zetema\Core\Sitting\Act\Resume;
use Zetema\Core\Sitting\Act\Start;
use Zetema\Core\Sitting\Act\WithResponse;
use Zetema\Core\Sitting\Event\ClockKind;
use Zetema\Core\Sitting\Event\ClosedByStaff;
use Zetema\Core\Sitting\Event\Event;
use Zetema\Core\Sitting\Event\Flagged;
use Zetema\Core\Sitting\Event\HandedIn;
use Zetema\Core\Sitting\Event\Paused;
use Zetema\Core\Sitting\Event\Placed;
use Zetema\Core\Sitting\Event\Resumed;
use Zetema\Core\Sitting\Event\Started;
use Zetema\Core\Sitting\Event\TimeGiven;
use Zetema\Core\Sitting\Event\WentOn;
use Zetema\Core\Sitting\Event\WentTo;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\Paper\Screen;
use Zetema\Core\Sitting\State\At;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Time\Instant;

/** Whether an act can be done now; what is wrong is told in one order (the first that applies). */
final readonly class Acceptance
{
    private Answering $answering;
    private Owed $owed;

    public function __construct(private Paper $paper, Walk $walk)
    {
        $this->answering = new Answering($paper);
        $this->owed = new Owed($paper, $walk);
    }

    /**
     * @param Instant $at when it counts as come
     *
     * @throws Refused
     */
    public function event(State $state, Act $act, Instant $at): Event
    {
        if ($act instanceof Start) {
            return $state->startedAt === null ? new Started($at) : throw Refused::because(Refusal::Started);
        }
        if (!$state->isRunning()) {
            throw Refused::because($state->startedAt === null ? Refusal::NotStarted : Refusal::Ended);
        }
        if ($state->isPaused() && !($act instanceof ByStaff) && !($act instanceof WithResponse && $at === $state->pausedAt())) {
            throw Refused::because(Refusal::Paused);
        }

        return match (true) {
            $act instanceof AtQuestion => $this->answering->event($state, $act, $this->question($act->question), $at),
            $act instanceof Flag => new Flagged($at, $this->inStretch($state, $this->question($act->question), null), $act->on),
            $act instanceof MoveTo => $this->goTo($state, $act, $at),
            $act instanceof GoOn => $this->goOn($state, $at),
            $act instanceof HandIn => $this->owed->atHandIn($state, $at) ? throw Refused::because(Refusal::Owed) : new HandedIn($at),
            $act instanceof GiveTime => $this->giveTime($state, $act, $at),
            $act instanceof Close => new ClosedByStaff($at),
            $act instanceof Pause => new Paused($at),
            $act instanceof Resume => $state->isPaused() ? new Resumed($at) : throw Refused::because(Refusal::NotPaused),
            $act instanceof Place => $this->paper->hasStep($act->step) && $state->events === 1
                ? new Placed($at, $act->step, $act->assumed)
                : throw Refused::because(Refusal::StepUnknown),
            default => throw new \LogicException('there is no such act'),
        };
    }

    private function question(string $name): QuestionPlace
    {
        return $this->paper->questionNamed($name) ?? throw Refused::because(Refusal::QuestionUnknown);
    }

    private function goOn(State $state, Instant $at): WentOn
    {
        if ($state->position->isAt(At::End)) {
            throw Refused::because(Refusal::AtEnd);
        }

        return $this->owed->byGoingOn($state) ? throw Refused::because(Refusal::Owed) : new WentOn($at);
    }

    private function goTo(State $state, MoveTo $act, Instant $at): WentTo
    {
        $question = $act->question === null ? null : $this->question($act->question);
        $page = $act->step === null ? null : $this->paper->pageStep($act->step) ?? throw Refused::because(Refusal::StepUnknown);
        $id = $this->inStretch($state, $question, $page?->id);
        $isHere = $state->position->isAt(At::Node) && $state->position->node === $this->paper->nodeOf($id);
        if (!$isHere && $question?->seconds !== null && $state->visit($question->id)->shown !== null) {
            throw Refused::because(Refusal::Left);
        }

        return !$isHere && $this->owed->byLeavingScreen($state) ? throw Refused::because(Refusal::Owed) : new WentTo($at, $id);
    }

    /** @return string the id of the place, if one can move to it from here */
    private function inStretch(State $state, ?QuestionPlace $question, ?string $page): string
    {
        $here = $state->position->isAt(At::Node) || $state->position->isAt(At::End) ? $state->position->node : -1;
        $screen = $this->paper->nodes[$here] ?? null;
        if (!($screen instanceof Screen) || !$screen->isAnyOrder || $this->ranOut($state, $screen->section)) {
            throw Refused::because(Refusal::ForwardOnly);
        }
        $id = $question->id ?? (string) $page;

        return in_array($this->paper->nodeOf($id), $this->paper->stretch($here), true)
            ? $id
            : throw Refused::because($question === null ? Refusal::StepNotHere : Refusal::QuestionNotHere);
    }

    /** A section that ran out while the candidate was behind its end is left for good. */
    private function ranOut(State $state, int $section): bool
    {
        return $this->paper->sections[$section]->seconds !== null && isset($state->sectionOver[$section]);
    }

    private function giveTime(State $state, GiveTime $act, Instant $at): TimeGiven
    {
        $clock = $act->clock;
        if ($clock->kind === ClockKind::Section) {
            $found = array_filter(
                $this->paper->sections,
                static fn ($section): bool => $section->id === $clock->name && $section->seconds !== null,
            );
            $isOver = isset($state->sectionOver[array_key_first($found) ?? -1]);
        } elseif ($clock->kind === ClockKind::Question) {
            $place = $this->paper->questionNamed($clock->name);
            $found = $place?->seconds === null ? [] : [$place];
            $isOver = $place !== null && $state->visit($place->id)->closed !== null;
        } else {
            $found = $this->paper->seconds() === null ? [] : [true];
            $isOver = false;
        }

        return match (true) {
            $found === [] => throw Refused::because(Refusal::ClockUnknown),
            $isOver => throw Refused::because(Refusal::ClockRanOut),
            default => new TimeGiven($at, $clock, $act->time),
        };
    }
}
