<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

/** Something that is done at one question of this screen. */
abstract readonly class AtQuestion extends Act
{
    /** @param string $question its name */
    public function __construct(int $at, public string $question)
    {
        parent::__construct($at);
    }
}
