<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Condition;

/** What a route depends on. */
interface Condition
{
    public function holds(WhatHappened $so): bool;

    /** @return list<Asked> all that it asks about */
    public function asks(): array;
}
