<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Guessing;

/** So many steps may a computation take, so that it answers or refuses in good time. */
final class Budget
{
    public function __construct(private int $steps)
    {
    }

    /** @throws TooManyToCount */
    public function use(int $steps = 1): void
    {
        $this->steps -= $steps;
        if ($this->steps < 0) {
            throw new TooManyToCount('so many different sums of points cannot be computed exactly in good time');
        }
    }
}
