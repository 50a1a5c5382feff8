<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Listing;

use Zetema\Core\Data\Fields;

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

    /** As it stands in a list's address. */
    public static function of(Fields $data): self
    {
        $data->only('objective', 'kind', 'status', 'search');

        return new self($data->optionalInteger('objective'), $data->optionalText('kind'), $data->optionalText('status'), trim($data->text('search', '')));
    }

    public function isOnlySearch(): bool
    {
        return $this->search !== '' && $this->objective === null && $this->kind === null && $this->status === null && !$this->patterns;
    }
}
