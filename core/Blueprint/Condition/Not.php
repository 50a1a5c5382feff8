<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Condition;

/** The opposite. */
final readonly class Not implements Condition
{
    public function __construct(public Condition $condition)
    {
    }

    public function holds(WhatHappened $so): bool
    {
        return !$this->condition->holds($so);
    }

    public function asks(): array
    {
        return $this->condition->asks();
    }
}
