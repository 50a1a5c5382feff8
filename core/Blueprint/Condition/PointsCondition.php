<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Condition;

/** Points, or percent, of what is closed. */
final readonly class PointsCondition implements Condition
{
    public function __construct(public bool $inPercent, public Scope $scope, public Comparison $is)
    {
    }

    public function holds(WhatHappened $so): bool
    {
        return $this->is->holds($this->inPercent ? $so->percent($this->scope) : $so->points($this->scope));
    }

    public function asks(): array
    {
        return $this->scope->asks();
    }
}
