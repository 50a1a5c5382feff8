<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Step;

/** One step of the running order. Its id survives moving. */
abstract readonly class Step
{
    public function __construct(public string $id)
    {
    }
}
