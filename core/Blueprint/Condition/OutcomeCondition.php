<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Condition;

use Zetema\Core\Question\Feedback\Outcome;

/** What came of a question. */
final readonly class OutcomeCondition implements Condition
{
    /** @param list<Outcome> $is one of them */
    public function __construct(public string $question, public array $is)
    {
    }

    public function holds(WhatHappened $so): bool
    {
        return in_array($so->outcome($this->question), $this->is, true);
    }

    public function asks(): array
    {
        return [Asked::question($this->question)];
    }
}
