<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Objective\Objective;
use Zetema\Core\Drawing\EligibleQuestion;
use Zetema\Core\Question\Points;

/** The cleared questions that forms are dealt from, read without their texts. */
final readonly class EligibleQuestions
{
    private const QUERY = 'SELECT r.id AS revision, q.id, r.objective_path AS path, r.worth,
        json_extract(r.content, \'$.tags\') AS tags, json_extract(r.content, \'$.difficulty\') AS difficulty, json_extract(r.content, \'$.kind\') AS kind_then
        FROM question q JOIN revision r ON ';

    public function __construct(private Connection $db)
    {
    }

    /** @return array<string, array{question: EligibleQuestion, revision: int}> by the question's id */
    public function cleared(Bank $bank): array
    {
        $sql = self::QUERY . 'r.id = q.cleared_id WHERE q.bank_id = ? ORDER BY q.id';

        return self::byId($this->db->fetchAllAssociative($sql, [$bank->id]));
    }

    /** @return list<string> the ids of all questions of a bank, whether they may be dealt or not */
    public function known(Bank $bank): array
    {
        return array_map(static fn (mixed $id): string => 'q' . self::text($id), $this->db->fetchFirstColumn('SELECT id FROM question WHERE bank_id = ?', [$bank->id]));
    }

    /**
     * @param list<int> $revisionIds
     *
     * @return array<string, array{question: EligibleQuestion, revision: int}>
     */
    public function of(array $revisionIds): array
    {
        $sql = self::QUERY . 'r.question_id = q.id WHERE r.id IN (SELECT value FROM json_each(?)) ORDER BY q.id';

        return self::byId($this->db->fetchAllAssociative($sql, [json_encode($revisionIds, JSON_THROW_ON_ERROR)]));
    }

    /**
     * @param list<array<string, mixed>> $rows
     *
     * @return array<string, array{question: EligibleQuestion, revision: int}>
     */
    private static function byId(array $rows): array
    {
        $eligible = [];
        foreach ($rows as $row) {
            $id = 'q' . self::text($row['id']);
            $tags = json_decode(self::text($row['tags'] ?? '[]'), true);
            $eligible[$id] = [
                'question' => new EligibleQuestion(
                    $id,
                    self::text($row['kind_then']),
                    is_string($row['path'] ?? null) ? explode(Objective::SEPARATOR, $row['path']) : [],
                    is_array($tags) ? array_values(array_filter($tags, is_string(...))) : [],
                    is_string($row['difficulty'] ?? null) ? $row['difficulty'] : null,
                    Points::of(self::text($row['worth'])),
                ),
                'revision' => (int) self::text($row['revision']),
            ];
        }

        return $eligible;
    }

    private static function text(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }
}
