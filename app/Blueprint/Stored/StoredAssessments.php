<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Stored;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Assessments;
use Zetema\App\Bank\Batch;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Row;

final readonly class StoredAssessments implements Assessments
{
    public function __construct(private Connection $db)
    {
    }

    public function heldByNewest(string $assessment): string
    {
        return "SELECT e.question_id FROM edition_question e WHERE e.edition_id = (SELECT MAX(d.id) FROM edition d WHERE d.blueprint_id = $assessment)";
    }

    public function holdNone(string $question): string
    {
        return "NOT EXISTS (SELECT 1 FROM edition_question e WHERE e.question_id = $question)";
    }

    public function name(string $page): string
    {
        return 'EXISTS (SELECT 1 FROM blueprint b, ' .
            Dialects::of($this->db)->jsonTree('b.document') .
            " t WHERE b.bank_id = $page.bank_id AND t.type = 'text' AND t.value = $page.name)";
    }

    public function editionsWith(int $question): int
    {
        return Row::int($this->db->fetchOne('SELECT COUNT(DISTINCT edition_id) FROM edition_question WHERE question_id = ?', [$question]));
    }

    public function holdOf(Batch $batch): array
    {
        $held = [];
        foreach (
            $this->db->fetchAllNumeric(
                'SELECT b.title, COUNT(DISTINCT q.id) FROM question q JOIN edition_question e ON e.question_id = q.id JOIN edition d ON d.id = e.edition_id JOIN blueprint b ON b.id = d.blueprint_id WHERE q.batch_id = ? GROUP BY b.id ORDER BY b.title',
                [$batch->id],
            ) as [$title, $questions]
        ) {
            $held[Row::text($title)] = Row::int($questions);
        }

        return $held;
    }

    public function perBank(): array
    {
        $counts = [];
        foreach ($this->db->fetchAllNumeric('SELECT bank_id, COUNT(*) FROM blueprint GROUP BY bank_id') as $row) {
            $counts[Row::int($row[0] ?? 0)] = Row::int($row[1] ?? 0);
        }

        return $counts;
    }

    public function removeOf(int $bank): void
    {
        $this->db->delete('blueprint', ['bank_id' => $bank]);
    }
}
