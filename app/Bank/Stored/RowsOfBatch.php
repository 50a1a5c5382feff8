<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Stored;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Assessments;
use Zetema\App\Bank\Question\Listing\SearchIndex;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Row;

/** What stands in a bank by a batch: what came in with it, and what of that can go again. Each within a transaction. */
final readonly class RowsOfBatch
{
    public function __construct(private Connection $db, private SearchIndex $search, private Assessments $assessments)
    {
    }

    /** From now on a change of its questions is told. */
    public function cameIn(int $batch): void
    {
        $this->db->executeStatement('UPDATE question SET intake_version = version WHERE batch_id = ? AND intake_version IS NULL', [
            $batch,
        ]);
    }

    /** @return list<int> its next questions */
    public function next(int $batch, int $after, int $size): array
    {
        return Row::ints(
            $this->db->fetchFirstColumn('SELECT id FROM question WHERE batch_id = ? AND id > ? ORDER BY id LIMIT ' . $size, [
                $batch,
                $after,
            ]),
        );
    }

    /**
     * Takes those out that nobody has changed and no edition holds.
     *
     * @param list<int> $ids
     *
     * @return int how many went
     */
    public function takeOut(array $ids): int
    {
        $free = Row::ints(
            $this->db->fetchFirstColumn(
                'SELECT id FROM question WHERE id IN (?) AND version = intake_version AND ' . $this->assessments->holdNone('question.id'),
                [$ids],
                [ArrayParameterType::INTEGER],
            ),
        );
        array_walk($free, fn (int $id) => $this->search->forget($id));
        $this->db->executeStatement('DELETE FROM question WHERE id IN (?)', [$free], [ArrayParameterType::INTEGER]);

        return count($free);
    }

    /** Takes the pages out that came with it, that nobody has changed and nothing names: no blueprint, nor a question as its refresher. */
    public function takeOutPages(int $batch): void
    {
        $refresher = Dialects::of($this->db)->jsonText('r.content', 'settings.refresher');
        $this->db->executeStatement(
            "DELETE FROM page WHERE batch_id = ? AND version = 1 AND NOT ({$this->assessments->name('page')}
            OR EXISTS (SELECT 1 FROM question q JOIN revision r ON r.id IN (q.newest_id, q.cleared_id) WHERE q.bank_id = page.bank_id AND $refresher = page.name))",
            [$batch],
        );
    }

    /** Takes the objectives out that came with it, and that hold nothing any more. */
    public function takeOutObjectives(int $batch): void
    {
        do {
            $emptied = $this->db->executeStatement(
                'DELETE FROM objective WHERE batch_id = ? AND id NOT IN (SELECT objective_id FROM question WHERE objective_id IS NOT NULL) AND id NOT IN (SELECT parent_id FROM objective WHERE parent_id IS NOT NULL)',
                [$batch],
            );
        } while ($emptied > 0);
    }

    public function questions(int $batch): int
    {
        return Row::int($this->db->fetchOne('SELECT COUNT(*) FROM question WHERE batch_id = ?', [$batch]));
    }

    public function changed(int $batch): int
    {
        return Row::int($this->db->fetchOne('SELECT COUNT(*) FROM question WHERE batch_id = ? AND version <> intake_version', [$batch]));
    }

    /** @return list<string> names of pages that came with it and stay, though nobody has changed them */
    public function pages(int $batch): array
    {
        return Row::texts($this->db->fetchFirstColumn('SELECT name FROM page WHERE batch_id = ? AND version = 1 ORDER BY name', [$batch]));
    }
}
