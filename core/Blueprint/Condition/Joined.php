<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Condition;

/** Several conditions, of which all must hold, or any. */
final readonly class Joined implements Condition
{
    /** @param list<Condition> $conditions */
    public function __construct(public bool $all, public array $conditions)
    {
    }

    public function holds(WhatHappened $so): bool
    {
        foreach ($this->conditions as $condition) {
            if ($condition->holds($so) !== $this->all) {
                return !$this->all;
            }
        }

        return $this->all;
    }

    public function asks(): array
    {
        return array_merge(...array_map(static fn (Condition $condition): array => $condition->asks(), $this->conditions));
    }
}
