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
    case Saved = 'saved';
    case Difficulty = 'difficulty';
    case Tags = 'tags';
    case Revision = 'revision';
    case By = 'by';

    /**
     * Columns to order by, the last one telling any two questions apart. Each that can be gone along is indexed together with the bank.
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
            self::Saved => ['q.newest_id'],
            self::Difficulty => [
                "(SELECT CASE v.difficulty WHEN 'easy' THEN 1 WHEN 'medium' THEN 2 WHEN 'hard' THEN 3 ELSE 4 END FROM revision v WHERE v.id = q.newest_id)",
                'q.id',
            ],
            self::Tags => ["(SELECT COALESCE(MIN(t.tag), '~') FROM revision_tag t WHERE t.revision_id = q.newest_id)", 'q.id'],
            self::Revision => ['q.revision_number', 'q.id'],
            self::By => ['(SELECT a.name FROM revision v JOIN account a ON a.id = v.author_id WHERE v.id = q.newest_id)', 'q.id'],
        };
    }

    /** Whether a list of any length can go along it; the others are looked up for each question that fits, and sorted. */
    public function isIndexed(): bool
    {
        return !in_array($this, [self::Difficulty, self::Tags, self::Revision, self::By], true);
    }

    /** The questions that have what is ordered by; the others come after them, as they were made. */
    public function has(): ?string
    {
        return match ($this) {
            self::Objective => 'q.objective_id',
            self::Name => 'q.name',
            self::Made,
            self::Newest,
            self::Text,
            self::Kind,
            self::Points,
            self::Status,
            self::Saved,
            self::Difficulty,
            self::Tags,
            self::Revision,
            self::By => null,
        };
    }

    public function falls(): bool
    {
        return $this === self::Newest || $this === self::Saved;
    }
}
