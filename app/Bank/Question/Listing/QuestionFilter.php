<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Listing;

/** Which questions of a bank are asked for. */
final readonly class QuestionFilter
{
    /** @param int|null $objective its id, with what lies below it; 0: without an objective */
    public function __construct(
        public ?int $objective = null,
        public ?string $kind = null,
        public ?string $status = null,
        public string $search = '',
        public bool $patterns = false,
    ) {
    }

    public function isOnlySearch(): bool
    {
        return $this->search !== '' && $this->objective === null && $this->kind === null && $this->status === null && !$this->patterns;
    }
}
