<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Scoring\Sought;

/** A click beside all areas; each counts. */
final readonly class OutsideAreas extends Sought
{
    public function toData(): array
    {
        return ['outside' => true];
    }
}
