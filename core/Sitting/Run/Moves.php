<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Blueprint\Step\Lead;
use Zetema\Core\Sitting\Paper\CheckpointPlace;
use Zetema\Core\Sitting\Paper\PagePlace;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\Paper\Screen;
use Zetema\Core\Sitting\State\At;
use Zetema\Core\Sitting\State\Position;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Time\Instant;

/** Where *Go on* and *Go to* lead, and what arriving brings about. */
final readonly class Moves
{
    public function __construct(private Paper $paper, private Effects $effects, private Ways $ways)
    {
    }

    public function goOn(State $state, Instant $at): void
    {
        $position = $state->position;
        $node = $this->paper->nodes[$position->node] ?? null;
        match (true) {
            $position->isAt(At::Lead) => $this->proceed($state, $this->ways->afterLead($position), $at),
            $position->isAt(At::Refresher) => $this->fromRefresher($state, $position, $at),
            $node instanceof CheckpointPlace => $this->proceed($state, $state->decided, $at),
            $node instanceof Screen && $node->isAnyOrder => $this->fromFreeScreen($state, $position->node, $node, $at),
            $node instanceof Screen => $this->fromScreen($state, $position->node, $node, $at),
            default => null,
        };
    }

    /** To another screen of the stretch, or back to it from the end. */
    public function goTo(State $state, string $place, Instant $at): void
    {
        $node = $this->paper->nodeOf($place);
        if ($state->position->isAt(At::Node) && $state->position->node === $node) {
            return;
        }
        $this->leaveTimed($state, $at);
        $this->arrive($state, $node, $at);
    }

    /**
     * Along the way from a node on: checkpoints that are not announced are passed at once; the candidate arrives at the first screen, or at
     * the end.
     */
    public function proceed(State $state, int $node, Instant $at): void
    {
        $target = $node;
        while (($checkpoint = $this->paper->nodes[$target] ?? null) instanceof CheckpointPlace) {
            $next = $this->ways->decide($state, $checkpoint, $target);
            if ($checkpoint->step->isAnnounced) {
                $this->enter($state, $target, $at);
                $state->position = Position::node($target);
                $state->decided = $next;
                $state->path[] = $checkpoint->id;

                return;
            }
            $target = $next;
        }
        if (isset($this->paper->nodes[$target])) {
            $this->arrive($state, $target, $at);

            return;
        }
        $this->enter($state, null, $at);
        $state->position = Position::end();
        $state->path[] = 'end';
    }

    private function arrive(State $state, int $node, Instant $at): void
    {
        $screen = $this->paper->nodes[$node];
        if (!$screen instanceof Screen) {
            return;
        }
        $this->enter($state, $node, $at);
        foreach ($this->paper->stretch($node) as $reached) {
            foreach ($this->questionsOf($reached) as $place) {
                $state->ask($place->id);
            }
        }
        foreach ($screen->questions() as $place) {
            if ($state->visit($place->id)->shown === null) {
                $visit = $state->change($place->id);
                $visit->shown = $at;
                $visit->began = [$at];
                $this->effects->run($state, $place, $visit, $at);
            }
        }
        $state->position = Position::node($node);
        $state->path[] = $screen->id();
    }

    /** The candidate comes into the section of a node, and leaves the one before. */
    private function enter(State $state, ?int $node, Instant $at): void
    {
        $section = $node === null ? null : $this->paper->sectionOf($node);
        if ($state->section !== null && $state->section !== $section) {
            $state->sectionOver[$state->section] = true;
        }
        $state->section = $section;
        if ($section !== null) {
            $state->sectionBegan[$section] ??= $at;
        }
    }

    private function fromFreeScreen(State $state, int $node, Screen $screen, Instant $at): void
    {
        $stretch = $this->paper->stretch($node);
        $last = $stretch[count($stretch) - 1];
        if ($node !== $last) {
            $this->leaveTimed($state, $at);
            $this->arrive($state, $node + 1, $at);
        } elseif (!isset($this->paper->nodes[$last + 1])) {
            // the end behind it closes nothing, and one can go back
            $this->leaveTimed($state, $at);
            $state->position = Position::end($node);
            $state->path[] = 'end';
        } else {
            $this->leaveStretch($state, $node, $at);
            $this->proceed($state, $last + 1, $at);
        }
    }

    private function fromScreen(State $state, int $node, Screen $screen, Instant $at): void
    {
        $place = $screen->places[0];
        if ($place instanceof PagePlace && !$screen->isShared) {
            $this->proceed($state, $this->ways->afterPage($place, $node), $at);
        } elseif ($place instanceof QuestionPlace && !$screen->isShared) {
            $this->fromQuestion($state, $node, $place, $at);
        } else {
            $this->leaveStretch($state, $node, $at);
            $this->proceed($state, $node + 1, $at);
        }
    }

    /** Mark what is saved, then to the refresher, if it failed and a round is left; else where its choice leads; else on. */
    private function fromQuestion(State $state, int $node, QuestionPlace $place, Instant $at): void
    {
        $this->effects->markSaved($state, $place, $at);
        $visit = $state->change($place->id);
        if ($visit->closed === null && $visit->hasRefresherToCome($place)) {
            $this->effects->endRound($state, $place, $visit, $at);
            $this->toRefresher($state, $node, $place, 0);

            return;
        }
        $this->effects->leave($state, $place, $at);
        $lead = $this->ways->lead($state, $place);
        if ($lead?->page !== null) {
            $state->position = Position::lead($node, $lead->page, $lead);
            $state->path[] = 'page ' . $lead->page;
        } else {
            $this->proceed($state, $this->ways->after($lead, $node), $at);
        }
    }

    private function toRefresher(State $state, int $node, QuestionPlace $place, int $number): void
    {
        $page = $place->refresher->pages[$number] ?? '';
        $state->position = Position::refresher($node, $page, $number);
        $state->path[] = 'refresher ' . $page;
    }

    private function fromRefresher(State $state, Position $position, Instant $at): void
    {
        $place = $this->questionsOf($position->node)[0];
        if ($state->visit($place->id)->closed !== null) {
            // its time ran out meanwhile
            $this->proceed($state, $position->node + 1, $at);
        } elseif (isset($place->refresher->pages[$position->number + 1])) {
            $this->toRefresher($state, $position->node, $place, $position->number + 1);
        } else {
            $this->effects->newRound($state, $place, $at);
            $this->arrive($state, $position->node, $at);
        }
    }

    /** All of the stretch is closed, in running order. */
    public function leaveStretch(State $state, int $node, Instant $at, bool $drops = false): void
    {
        foreach ($this->paper->stretch($node) as $left) {
            foreach ($this->questionsOf($left) as $place) {
                $this->effects->leave($state, $place, $at, $drops);
            }
        }
    }

    /** A question with a time of its own cannot be come back to. */
    private function leaveTimed(State $state, Instant $at): void
    {
        foreach ($state->position->isAt(At::Node) ? $this->questionsOf($state->position->node) : [] as $place) {
            if ($place->seconds !== null) {
                $this->effects->leave($state, $place, $at);
            }
        }
    }

    /** @return list<QuestionPlace> */
    private function questionsOf(int $node): array
    {
        $screen = $this->paper->nodes[$node] ?? null;

        return $screen instanceof Screen ? $screen->questions() : [];
    }
}
