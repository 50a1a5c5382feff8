<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Blueprint\Condition\Scope;
use Zetema\Core\Blueprint\Condition\WhatHappened;
use Zetema\Core\Blueprint\Outcome\Band;
use Zetema\Core\Blueprint\Outcome\Tally;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Kinds\Tallied;
use Zetema\Core\Question\Points;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\State\Standing;
use Zetema\Core\Sitting\State\State;

/** Sums over what is closed, which are those of the marks that stand. */
final readonly class Totals implements WhatHappened
{
    public function __construct(private Paper $paper, private State $state)
    {
    }

    public function points(Scope $scope): Ratio
    {
        return $this->sum($scope)[0]->exact();
    }

    public function percent(Scope $scope): Ratio
    {
        [$earned, $max] = $this->sum($scope);

        return $max->isZero() ? Ratio::zero() : $earned->exact()->multipliedBy(100)->dividedBy($max->exact());
    }

    public function tally(string $name): Ratio
    {
        return Ratio::of($this->tallied($name));
    }

    public function outcome(string $question): ?Outcome
    {
        return $this->standing($this->paper->questionNamed($question))?->outcome;
    }

    public function hasChosen(string $question, int $choice): bool
    {
        return in_array($choice, $this->standing($this->paper->questionNamed($question))?->chosen() ?? [], true);
    }

    /** What a tally has come to: the sum of what the choices of the responses that stand add. */
    private function tallied(string $name): int
    {
        $sum = $this->state->assumed->tallies[$name] ?? 0;
        foreach ($this->paper->questions as $place) {
            $kind = $place->question->kind;
            $mark = $this->standing($place)?->mark;
            $sum += $kind instanceof Tallied && $mark?->counts === true ? $kind->adds($name, $mark->response) : 0;
        }

        return $sum;
    }

    /** @return list<array{Tally, int, Band|null}> what each tally of the assessment has come to, and its band there */
    public function tallies(): array
    {
        return array_map(
            fn (Tally $tally): array => [$tally, $value = $this->tallied($tally->name), $tally->bandOf($value)],
            $this->paper->blueprint->tallies,
        );
    }

    /** @return array{Points, Points} earned, and of how much */
    public function sum(?Scope $scope = null): array
    {
        [$earned, $max] = $this->isAssumed($scope)
            ? [$this->state->assumed->earned, $this->state->assumed->max]
            : [Points::zero(), Points::zero()];
        foreach ($this->closed() as [$place, $standing]) {
            if ($scope === null || $scope->has($this->paper->sections[$place->section]->id, $place->name)) {
                $earned = $earned->plus($standing->mark->verdict->earned);
                $max = $max->plus($place->plan->max());
            }
        }

        return [$earned, $max];
    }

    /** Whether what a rehearsal takes to have been reached before counts here: for the whole, and for sections that it began behind. */
    private function isAssumed(?Scope $scope): bool
    {
        if ($scope === null || $scope->questions !== null || $scope->section === null) {
            return $scope?->questions === null;
        }
        foreach (array_keys($this->state->sectionBegan) as $section) {
            if ($this->paper->sections[$section]->id === $scope->section) {
                return false;
            }
        }

        return true;
    }

    /** @return list<array{QuestionPlace, Standing}> questions that are closed and graded, with the mark that stands */
    public function closed(): array
    {
        $closed = [];
        foreach ($this->paper->questions as $place) {
            $standing = $place->plan->counts() ? $this->standing($place) : null;
            if ($standing !== null) {
                $closed[] = [$place, $standing];
            }
        }

        return $closed;
    }

    /** The mark that stands, once nothing can change it. */
    public function standing(?QuestionPlace $place): ?Standing
    {
        $visit = $place === null ? null : $this->state->visit($place->id);

        return $place === null || $visit?->closed === null ? null : Standing::of($place, $visit);
    }
}
