<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Paper;

use Zetema\Core\Blueprint\Rules\RoundStands;

/** What is read again after a question failed here. */
final readonly class Refresher
{
    /**
     * @param non-empty-list<string> $pages
     * @param int $rounds how often one can be sent to it
     */
    public function __construct(
        public array $pages,
        public int $rounds,
        public RoundStands $stands,
        public bool $clockRunsOn,
        public bool $timeAfresh,
    ) {
    }
}
