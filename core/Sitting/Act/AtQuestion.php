<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

use Zetema\Core\Time\Instant;

/** Something that is done at one question of this screen. */
abstract readonly class AtQuestion extends Act
{
    /** @param string $question its name */
    public function __construct(Instant $at, public string $question)
    {
        parent::__construct($at);
    }
}
