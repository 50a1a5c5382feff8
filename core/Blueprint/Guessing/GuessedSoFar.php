<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Guessing;

use Zetema\Core\Blueprint\Condition\Scope;
use Zetema\Core\Blueprint\Condition\WhatHappened;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Points;

/** What one who guesses has come to at a checkpoint, in each of the sums. */
final readonly class GuessedSoFar implements WhatHappened
{
    /**
     * @param array<int, Points> $earned by sum
     * @param array<int, Points> $max by sum
     */
    public function __construct(private Sums $sums, public array $earned, public array $max)
    {
    }

    public function points(Scope $scope): Ratio
    {
        return $this->earned[$this->sums->ofScope($scope)]->exact();
    }

    public function percent(Scope $scope): Ratio
    {
        $max = $this->max[$this->sums->ofScope($scope)];

        return $max->isZero() ? Ratio::zero() : $this->points($scope)->multipliedBy(100)->dividedBy($max->exact());
    }

    public function tally(string $name): Ratio
    {
        throw new \LogicException('only points are guessed through');
    }

    public function outcome(string $question): ?Outcome
    {
        throw new \LogicException('only points are guessed through');
    }

    public function hasChosen(string $question, int $choice): bool
    {
        throw new \LogicException('only points are guessed through');
    }
}
