<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

use Zetema\Core\Time\Instant;

/** A response is kept, to be marked later; a blank one clears what was kept. */
final readonly class Save extends WithResponse
{
    public function __construct(Instant $at, string $question, public Given $given)
    {
        parent::__construct($at, $question);
    }
}
