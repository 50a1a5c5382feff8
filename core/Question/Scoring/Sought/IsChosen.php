<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Scoring\Sought;

/** A choice that was made. */
final readonly class IsChosen extends Sought
{
    public function __construct(public int $choice)
    {
    }

    public function toData(): array
    {
        return ['chosen' => $this->choice];
    }
}
