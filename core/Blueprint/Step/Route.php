<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Step;

use Zetema\Core\Blueprint\Condition\Condition;

/** "When this holds, go there." */
final readonly class Route
{
    public function __construct(public Condition $when, public string $to)
    {
    }
}
