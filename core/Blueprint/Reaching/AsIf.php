<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Reaching;

use Zetema\Core\Blueprint\Condition\Scope;
use Zetema\Core\Blueprint\Condition\WhatHappened;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Points;

/** So many points, of so many, and tallies, with no question answered: what a rehearsal takes to have been reached before it begins. */
final readonly class AsIf implements WhatHappened
{
    /** @param array<string, int> $tallies by name */
    public function __construct(private Points $earned, private Points $max, private array $tallies)
    {
    }

    public function points(Scope $scope): Ratio
    {
        return $scope->questions === null ? $this->earned->exact() : Ratio::zero();
    }

    public function percent(Scope $scope): Ratio
    {
        return $scope->questions !== null || $this->max->isZero()
            ? Ratio::zero()
            : $this->earned->exact()->multipliedBy(100)->dividedBy($this->max->exact());
    }

    public function tally(string $name): Ratio
    {
        return Ratio::of($this->tallies[$name] ?? 0);
    }

    public function outcome(string $question): ?Outcome
    {
        return null;
    }

    public function hasChosen(string $question, int $choice): bool
    {
        return false;
    }
}
