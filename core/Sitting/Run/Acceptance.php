<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Sitting\Event\ClosedByStaff;
use Zetema\Core\Sitting\Event\Event;
use Zetema\Core\Sitting\Event\Flagged;
use Zetema\Core\Sitting\Event\HandedIn;
use Zetema\Core\Sitting\Event\Placed;
use Zetema\Core\Sitting\Event\Started;
use Zetema\Core\Sitting\Event\TimeGiven;
use Zetema\Core\Sitting\Event\WentOn;
use Zetema\Core\Sitting\Event\WentTo;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\Paper\Screen;
use Zetema\Core\Sitting\State\Position;
use Zetema\Core\Sitting\State\State;

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
     * @param int $at when it counts as come
     *
     * @throws Refused
     */
    public function event(State $state, Act $act, int $at): Event
    {
        if ($act->do === Act::START) {
            return $state->startedAt === null ? new Started($at) : throw new Refused('do/started');
        }
        if (!$state->isRunning()) {
            throw new Refused($state->startedAt === null ? 'do/notStarted' : 'do/ended');
        }
        $place = $act->question === null ? null : ($this->paper->questionNamed($act->question) ?? throw new Refused('question/unknown'));

        return match ($act->do) {
            Act::SAVE, Act::CHECK, Act::HINT => $this->answering->event($state, $act, $place ?? throw new Refused('question/missing'), $at),
            Act::FLAG => new Flagged($at, $this->inStretch($state, $place, null), $act->on),
            Act::GO_TO => $this->goTo($state, $act, $place, $at),
            Act::GO_ON => $this->goOn($state, $at),
            Act::HAND_IN => $this->owed->atHandIn($state, $at) ? throw new Refused('response/owed') : new HandedIn($at),
            Act::GIVE_TIME => $this->giveTime($state, $act, $at),
            Act::CLOSE => new ClosedByStaff($at),
            Act::PLACE => $this->paper->hasStep((string) $act->step) && $act->assumed !== null && $state->events === 1 ? new Placed($at, (string) $act->step, $act->assumed) : throw new Refused('step/unknown'),
            default => throw new Refused('do/unknown'),
        };
    }

    private function goOn(State $state, int $at): WentOn
    {
        if ($state->position->isAt(Position::END)) {
            throw new Refused('do/atEnd');
        }

        return $this->owed->byGoingOn($state) ? throw new Refused('response/owed') : new WentOn($at);
    }

    private function goTo(State $state, Act $act, ?QuestionPlace $question, int $at): WentTo
    {
        $page = $act->step === null ? null : ($this->paper->pageStep($act->step) ?? throw new Refused('step/unknown'));
        $id = $this->inStretch($state, $question, $page?->id);
        $isHere = $state->position->isAt(Position::NODE) && $state->position->node === $this->paper->nodeOf($id);
        if (!$isHere && $question?->seconds !== null && $state->visit($question->id)->shown !== null) {
            throw new Refused('question/left');
        }

        return !$isHere && $this->owed->byLeavingScreen($state) ? throw new Refused('response/owed') : new WentTo($at, $id);
    }

    /** @return string the id of the place, if one can move to it from here */
    private function inStretch(State $state, ?QuestionPlace $question, ?string $page): string
    {
        $here = $state->position->isAt(Position::NODE) || $state->position->isAt(Position::END) ? $state->position->node : -1;
        $screen = $this->paper->nodes[$here] ?? null;
        if (!$screen instanceof Screen || !$screen->isAnyOrder || $this->ranOut($state, $screen->section)) {
            throw new Refused('do/forwardOnly');
        }
        $id = $question->id ?? (string) $page;

        return in_array($this->paper->nodeOf($id), $this->paper->stretch($here), true) ? $id : throw new Refused($question === null ? 'step/notHere' : 'question/notHere');
    }

    /** A section that ran out while the candidate was behind its end is left for good. */
    private function ranOut(State $state, int $section): bool
    {
        return $this->paper->sections[$section]->seconds !== null && isset($state->sectionOver[$section]);
    }

    private function giveTime(State $state, Act $act, int $at): TimeGiven
    {
        $clock = $act->clock ?? throw new Refused('clock/unknown');
        if ($clock->kind === 'section') {
            $found = array_filter($this->paper->sections, static fn ($section): bool => $section->id === $clock->name && $section->seconds !== null);
            $isOver = isset($state->sectionOver[array_key_first($found) ?? -1]);
        } elseif ($clock->kind === 'question') {
            $place = $this->paper->questionNamed($clock->name);
            $found = $place?->seconds === null ? [] : [$place];
            $isOver = $place !== null && $state->visit($place->id)->closed !== null;
        } else {
            $found = $this->paper->seconds() === null ? [] : [true];
            $isOver = false;
        }

        return match (true) {
            $found === [] => throw new Refused('clock/unknown'),
            $isOver => throw new Refused('clock/ranOut'),
            default => new TimeGiven($at, $clock, $act->time),
        };
    }
}
