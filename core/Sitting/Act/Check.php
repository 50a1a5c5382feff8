<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

use Zetema\Core\Time\Instant;

/** An attempt. */
final readonly class Check extends WithResponse
{
    /** @param Given|null $given null: what is saved */
    public function __construct(Instant $at, string $question, public ?Given $given = null)
    {
        parent::__construct($at, $question);
    }
}
