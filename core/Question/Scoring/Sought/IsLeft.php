<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Scoring\Sought;

/** A choice that was left alone. */
final readonly class IsLeft extends Sought
{
    public function __construct(public int $choice)
    {
    }

    public function toData(): array
    {
        return ['left' => $this->choice];
    }
}
