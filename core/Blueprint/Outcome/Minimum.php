<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Outcome;

use Zetema\Core\Drawing\PassMark;

/** What must be reached in an objective, what lies below it included. */
final readonly class Minimum
{
    /** @param string $objective its path, joined by " > " */
    public function __construct(public string $objective, public PassMark $mark)
    {
    }

    public function covers(string $path): bool
    {
        return $path === $this->objective || str_starts_with($path, $this->objective . ' > ');
    }
}
