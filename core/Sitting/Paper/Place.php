<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Paper;

/** A step of the running order as it stands in one candidate's paper. */
abstract readonly class Place
{
    /** @param int $section its section's place in the paper */
    public function __construct(public string $id, public int $section)
    {
    }
}
