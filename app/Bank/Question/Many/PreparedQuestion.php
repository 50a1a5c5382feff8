<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Many;

use Zetema\App\Bank\Question\RevisionFacts;
use Zetema\Core\Question\Status;

/** All that is written for one of many questions, worked out before others have to wait. */
final readonly class PreparedQuestion
{
    /**
     * @param RevisionFacts|null $facts of its new revision; null: it gets none
     * @param array<string, string|int|null> $columns what lists show
     * @param string|null $path where it goes; empty: to no objective; null: it stays
     * @param list<array<string, string>> $notes the proofreader's
     */
    public function __construct(
        public Standing $standing,
        public ?RevisionFacts $facts,
        public array $columns,
        public Status $status,
        public ?string $path,
        public array $notes,
    ) {
    }

    public function kind(): string
    {
        return $this->facts->kind ?? $this->standing->kind();
    }
}
