<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Outcome;

use Zetema\Core\Drawing\PassMark;

/** What must be reached to pass: of the total, and in named objectives besides. */
final readonly class PassRule
{
    /** @param list<Minimum> $minimums */
    public function __construct(public PassMark $mark, public array $minimums = [])
    {
    }
}
