<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

use Zetema\Core\Time\Instant;

/** A question is flagged, or not any more. */
final readonly class Flag extends Act
{
    public function __construct(Instant $at, public string $question, public bool $on)
    {
        parent::__construct($at);
    }
}
