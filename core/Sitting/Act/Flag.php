<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

/** A question is flagged, or not any more. */
final readonly class Flag extends Act
{
    public function __construct(int $at, public string $question, public bool $on)
    {
        parent::__construct($at);
    }
}
