<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Pool;

use Zetema\Core\Data\Fields;

/** What a pool is at a moment: its name, and its filter or what was put into it. */
final readonly class PoolContent
{
    /** @var list<int> rising */
    public array $questions;

    /**
     * @param array<array-key, mixed>|null $filter null: by hand
     * @param array<int> $questions ids of those put in by hand
     */
    public function __construct(public string $name, public ?array $filter, array $questions)
    {
        $questions = array_unique($questions);
        sort($questions);
        $this->questions = $questions;
    }

    public static function fromData(Fields $data): self
    {
        return new self($data->text('name'), $data->optionalObject('filter')?->raw(), $data->integers('questions'));
    }

    /** @return array{name: string, filter: array<array-key, mixed>|null, questions: list<int>} */
    public function toData(): array
    {
        return ['name' => $this->name, 'filter' => $this->filter, 'questions' => $this->questions];
    }

    public static function same(?self $a, ?self $b): bool
    {
        return $a?->toData() === $b?->toData();
    }

    public function called(string $name): self
    {
        return new self($name, $this->filter, $this->questions);
    }

    /** @param array<array-key, mixed> $filter */
    public function holding(array $filter): self
    {
        return new self($this->name, $filter, []);
    }

    /** @param array<int> $questions */
    public function of(array $questions): self
    {
        return new self($this->name, null, $questions);
    }
}
