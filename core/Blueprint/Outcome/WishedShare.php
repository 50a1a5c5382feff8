<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Outcome;

use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Points;

/** How much of a form's points an objective is meant to have, what lies below it included. A plan only: no form is refused for it. */
final readonly class WishedShare
{
    /**
     * @param string $objective its path, joined by " > "
     *
     * @throws Malformed
     */
    public function __construct(public string $objective, public Points $percent)
    {
        if ($percent->isNegative() || $percent->compare(Points::of('100')) > 0) {
            throw new Malformed('percent', 'must be from 0 to 100');
        }
    }
}
