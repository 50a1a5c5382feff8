<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Listing;

/** In which order a list of questions stands. */
enum QuestionOrder: string
{
    case Objective = 'objective';
    case Made = 'made';
    case Newest = 'newest';
    case Text = 'text';
    case Name = 'name';
    case Kind = 'kind';
    case Points = 'points';
    case Status = 'status';

    /**
     * Columns to order by, the last one telling any two questions apart. Each is indexed together with the bank.
     *
     * @return non-empty-list<string>
     */
    public function columns(): array
    {
        return match ($this) {
            self::Objective => ['o.place', 'o.id', 'q.place', 'q.id'],
            self::Made, self::Newest => ['q.id'],
            self::Text => ['q.stem_key', 'q.id'],
            self::Name => ['q.name', 'q.id'],
            self::Kind => ['q.kind', 'q.id'],
            self::Points => ['q.micro_points', 'q.id'],
            self::Status => ['q.status', 'q.id'],
        };
    }

    /** The questions that have what is ordered by; the others come after them, as they were made. */
    public function has(): ?string
    {
        return match ($this) {
            self::Objective => 'q.objective_id',
            self::Name => 'q.name',
            default => null,
        };
    }

    public function falls(): bool
    {
        return $this === self::Newest;
    }
}
