<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Many;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Clearing;
use Zetema\Core\Question\Status;

/** A question as it stands in the database, read beside thousands of others. */
final readonly class Standing
{
    private const PIECE = 500;

    /**
     * @param int $revision id of the newest one
     * @param int $number its number
     * @param array<string, mixed> $content
     * @param int $place within its objective
     * @param bool $isCommented whether a comment is open
     * @param list<int> $writers accounts of those who saved it since it was last cleared; empty where anybody may clear
     */
    private function __construct(
        public int $id,
        public int $version,
        public ?string $name,
        public Status $status,
        public ?int $objective,
        public ?string $path,
        public int $revision,
        public int $number,
        public bool $isWhole,
        public array $content,
        public ?int $cleared,
        public ?string $clearedPath,
        public ?string $clearedKind,
        public array $writers,
        public bool $isCommented,
        public int $place,
    ) {
    }

    public function kind(): string
    {
        return is_string($this->content['kind'] ?? null) ? $this->content['kind'] : '';
    }

    /** Whether what is dealt stands under another objective, or is of another kind. */
    public function isDealtElsewhere(): bool
    {
        return $this->cleared !== null && ($this->clearedPath !== $this->path || $this->clearedKind !== $this->kind());
    }

    /** @return list<string> names of objectives from the top */
    public function names(): array
    {
        return $this->path === null ? [] : explode(Objective::SEPARATOR, $this->path);
    }

    /**
     * @param list<int> $ids
     *
     * @return \Generator<int, self> by id; what is no longer there is left out
     */
    public static function of(Connection $db, Bank $bank, array $ids): \Generator
    {
        // Who wrote in it is only asked for where it matters: it costs thousands of small lookups.
        $writers =
            $bank->clearing() === Clearing::Another
                ? '(SELECT ' .
                    Dialects::of($db)->jsonList('DISTINCT w.author_id') .
                    ' FROM revision w WHERE w.question_id = q.id AND w.number > COALESCE(c.number, 0))'
                : "'[]'";
        foreach (array_chunk($ids, self::PIECE) as $piece) {
            // Read as a whole: while a cursor stays open, nothing can be written as soon as somebody else has saved.
            $rows = $db->fetchAllAssociative(
                'SELECT q.id, q.version, q.name, q.status, q.objective_id AS objective, q.place, o.path, r.id AS revision, r.number, r.problem, r.content, c.id AS cleared, c.objective_path AS cleared_path, c.kind AS cleared_kind,
                ' .
                    $writers .
                    ' AS writers, EXISTS (SELECT 1 FROM comment m WHERE m.question_id = q.id AND m.closed_at IS NULL) AS commented
                FROM question q JOIN revision r ON r.id = q.newest_id LEFT JOIN objective o ON o.id = q.objective_id LEFT JOIN revision c ON c.id = q.cleared_id
                WHERE q.bank_id = ? AND q.id IN (?)',
                [$bank->id, $piece],
                [1 => ArrayParameterType::INTEGER],
            );
            foreach ($rows as $row) {
                $row = Fields::of($row);
                $content = Fields::ofJson($row->text('content'))->raw();
                yield $row->integer('id') => new self(
                    $row->integer('id'),
                    $row->integer('version'),
                    $row->optionalText('name'),
                    Status::from($row->text('status')),
                    $row->optionalInteger('objective'),
                    $row->optionalText('path'),
                    $row->integer('revision'),
                    $row->integer('number'),
                    $row->optionalText('problem') === null,
                    array_combine(array_map(strval(...), array_keys($content)), $content),
                    $row->optionalInteger('cleared'),
                    $row->optionalText('cleared_path'),
                    $row->optionalText('cleared_kind'),
                    Fields::ofJson('{"writers":' . $row->text('writers') . '}')->integers('writers'),
                    $row->integer('commented') === 1,
                    $row->integer('place'),
                );
            }
        }
    }
}
