<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Paper;

use Zetema\Core\Blueprint\Step\CheckpointStep;

/** A checkpoint; announced, it is a screen of its own. */
final readonly class CheckpointPlace extends Place
{
    public function __construct(int $section, public CheckpointStep $step)
    {
        parent::__construct($step->id, $section);
    }
}
