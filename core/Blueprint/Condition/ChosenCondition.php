<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Condition;

/** Whether a choice was made and stands. */
final readonly class ChosenCondition implements Condition
{
    public function __construct(public string $question, public int $choice)
    {
    }

    public function holds(WhatHappened $so): bool
    {
        return $so->hasChosen($this->question, $this->choice);
    }

    public function asks(): array
    {
        return [Asked::question($this->question, $this->choice)];
    }
}
