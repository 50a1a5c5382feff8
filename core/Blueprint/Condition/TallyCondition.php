<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Condition;

/** How much a tally has come to. */
final readonly class TallyCondition implements Condition
{
    public function __construct(public string $tally, public Comparison $is)
    {
    }

    public function holds(WhatHappened $so): bool
    {
        return $this->is->holds($so->tally($this->tally));
    }

    public function asks(): array
    {
        return [Asked::tally($this->tally)];
    }
}
