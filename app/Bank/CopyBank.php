<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Schema\Column;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Background\Job;
use Zetema\App\Background\Progress;
use Zetema\App\Background\Task;
use Zetema\App\Bank\Question\Listing\SearchIndex;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Lock;
use Zetema\App\Shared\Row;
use Zetema\Core\Data\Fields;

/**
 * A bank copied with all that is worked with: objectives, questions as they stand and as they are dealt, pages, pictures, pools,
 * settings, blueprints. What was done with it stays behind: older revisions, comments, batches, editions, sittings.
 *
 * It is copied within the database, a piece at a time, into a bank that is in no list until its last piece. A copy of a question has
 * the id of what it was made of and one distance. Questions are copied as they stand when it is their turn; what is made after the
 * copying began is not in it, and a question that was moved to an objective made since then stands under none.
 */
final readonly class CopyBank implements Task
{
    public const AT_ONCE = 2_000;

    public function __construct(
        private EntityManagerInterface $em,
        private Connection $db,
        private UnfinishedBanks $unfinished,
        private SearchIndex $search,
        private CopiedWithBank $others,
    ) {
    }

    public static function name(): string
    {
        return 'copy bank';
    }

    public function run(Job $job, Progress $progress): ?array
    {
        $made = Fields::of($job->input)->integer('made');
        $progress->begin($this->number('SELECT COUNT(*) FROM question WHERE bank_id = ?', [$job->bankId]));
        $at = $progress->cursor();
        if (!$at->has('far') && !$progress->piece(Lock::bank($made), 0, fn (): array => $this->around($job->bankId, $made))) {
            return null;
        }
        $at = $progress->cursor();
        $done = $at->integer('done');
        $last = $at->integer('last');
        while (($ids = $this->next($job->bankId, $last, $at->integer('until'), $progress->size())) !== []) {
            [$from, $last, $done] = [$last, $ids[count($ids) - 1], $done + count($ids)];
            if (
                !$progress->piece(
                    Lock::bank($made),
                    $done,
                    function () use ($at, $job, $made, $from, $last, $done): array {
                        $this->questions([
                            'from' => $job->bankId,
                            'to' => $made,
                            'after' => $from,
                            'last' => $last,
                            'far' => $at->integer('far'),
                            'pools' => $at->integer('pools'),
                            'objectives' => $at->integer('objectives'),
                            'most' => $at->integer('most'),
                        ]);

                        return [...$at->raw(), 'last' => $last, 'done' => $done];
                    },
                    count($ids),
                )
            ) {
                return null;
            }
        }
        $progress->piece(Lock::bank($made), $done, function () use ($at, $job, $made): array {
            $bank = fn (int $id): Bank => $this->em->find(Bank::class, $id) ?? throw new \LogicException('it is copied');
            $this->others->copy($bank($job->bankId), $bank($made), $at->integer('far'));
            $this->unfinished->finish($made);

            return $at->raw();
        });

        return null;
    }

    public function abandon(Job $job): void
    {
        $this->unfinished->remove(Fields::of($job->input)->integer('made'), $job->account);
    }

    /**
     * What questions stand in and refer to; and the ids that their copies will have, which nobody else gets.
     *
     * @return array<string, int> the distances, and the last question that there is
     */
    private function around(int $from, int $to): array
    {
        $dialect = Dialects::of($this->db);
        $most = $this->number('SELECT COALESCE(MAX(id), 0) FROM objective WHERE bank_id = ?', [$from]);
        $far = ['objective' => $this->number($dialect->lastId('objective')), 'pool' => $this->number($dialect->lastId('pool'))];
        $this->rows(
            'objective',
            'x.bank_id = :from',
            ['bank_id' => ':to', 'id' => 'x.id + :far', 'parent_id' => 'x.parent_id + :far', 'batch_id' => 'NULL', 'is_kept' => '1'],
            ['from' => $from, 'to' => $to, 'far' => $far['objective']],
        );
        // A pool of what an assessment holds would hold what that of the other bank does.
        $this->rows(
            'pool',
            "x.bank_id = :from AND (x.filter IS NULL OR {$dialect->jsonText('x.filter', 'assessment')} IS NULL)",
            ['bank_id' => ':to', 'id' => 'x.id + :far'],
            ['from' => $from, 'to' => $to, 'far' => $far['pool']],
        );
        foreach (['page' => ['batch_id' => 'NULL'], 'medium' => []] as $table => $otherwise) {
            $this->rows($table, 'x.bank_id = :from', [...$otherwise, 'bank_id' => ':to', 'id' => null], ['from' => $from, 'to' => $to]);
        }
        $until = $this->number('SELECT COALESCE(MAX(id), 0) FROM question WHERE bank_id = ?', [$from]);
        $questions = $this->number($dialect->lastId('question'));
        $this->db->executeStatement($dialect->passIds('question'), [$questions + $until]);

        return [
            'far' => $questions,
            'objectives' => $far['objective'],
            'pools' => $far['pool'],
            'most' => $most,
            'until' => $until,
            'last' => 0,
            'done' => 0,
        ];
    }

    /** @return list<int> */
    private function next(int $bank, int $after, int $until, int $size): array
    {
        return Row::ints(
            $this->db->fetchFirstColumn('SELECT id FROM question WHERE bank_id = ? AND id > ? AND id <= ? ORDER BY id LIMIT ' . $size, [
                $bank,
                $after,
                $until,
            ]),
        );
    }

    /**
     * @param array{from: int, to: int, after: int, last: int, far: int, pools: int, objectives: int, most: int} $p the banks, which
     *   questions, and the distances
     */
    private function questions(array $p): void
    {
        $these = 'SELECT q.id FROM question q WHERE q.bank_id = :from AND q.id > :after AND q.id <= :last';
        $which = array_intersect_key($p, ['from' => 1, 'after' => 1, 'last' => 1]);
        $this->rows(
            'question',
            "x.id IN ($these)",
            [
                'bank_id' => ':to',
                'id' => 'x.id + :far',
                'objective_id' => 'CASE WHEN x.objective_id <= :most THEN x.objective_id + :objectives END',
                'newest_id' => 'NULL',
                'cleared_id' => 'NULL',
                'batch_id' => 'NULL',
            ],
            array_diff_key($p, ['pools' => 1]),
        );
        // Those that are edited and dealt. Their copies are found again by question and number, so that they need no ids set apart.
        $kept = "x.question_id IN ($these) AND EXISTS (SELECT 1 FROM question k WHERE k.id = x.question_id AND (k.newest_id = x.id OR k.cleared_id = x.id))";
        $this->rows(
            'revision',
            $kept,
            ['bank_id' => ':to', 'id' => null, 'question_id' => 'x.question_id + :far'],
            [...$which, 'to' => $p['to'], 'far' => $p['far']],
        );
        $copy = 'SELECT n.id FROM revision n JOIN revision o ON n.question_id = o.question_id + :far AND n.number = o.number WHERE o.id =';
        $this->db->executeStatement(
            "INSERT INTO revision_tag (revision_id, tag) SELECT n.id, t.tag FROM revision x JOIN revision_tag t ON t.revision_id = x.id JOIN revision n ON n.question_id = x.question_id + :far AND n.number = x.number WHERE $kept",
            [...$which, 'far' => $p['far']],
        );
        $this->db->executeStatement(
            "UPDATE question SET newest_id = ($copy (SELECT k.newest_id FROM question k WHERE k.id = question.id - :far)), cleared_id = ($copy (SELECT k.cleared_id FROM question k WHERE k.id = question.id - :far)) WHERE id > :after + :far AND id <= :last + :far AND bank_id = :to",
            ['far' => $p['far'], 'after' => $p['after'], 'last' => $p['last'], 'to' => $p['to']],
        );
        $ofThese = "x.question_id IN ($these)";
        $this->rows('waving', $ofThese, ['id' => null, 'question_id' => 'x.question_id + :far'], [...$which, 'far' => $p['far']]);
        $this->rows(
            'proofreading_note',
            $ofThese,
            ['bank_id' => ':to', 'id' => null, 'question_id' => 'x.question_id + :far'],
            [...$which, 'to' => $p['to'], 'far' => $p['far']],
        );
        $this->rows(
            'pool_question',
            "$ofThese AND EXISTS (SELECT 1 FROM pool c WHERE c.id = x.pool_id + :pools AND c.bank_id = :to)",
            ['pool_id' => 'x.pool_id + :pools', 'question_id' => 'x.question_id + :far'],
            [...$which, 'to' => $p['to'], 'far' => $p['far'], 'pools' => $p['pools']],
        );
        $this->search->copy($p['from'], $p['to'], $p['far'], $p['after'], $p['last']);
    }

    /**
     * @param array<string, string|null> $otherwise what a column gets instead of what it has, in SQL over x; null: what the database gives
     *   it
     * @param array<string, int> $parameters
     */
    private function rows(string $table, string $which, array $otherwise, array $parameters): void
    {
        $columns = array_map(
            static fn (Column $column): string => $column->getName(),
            array_values($this->db->createSchemaManager()->listTableColumns($table)),
        );
        $columns = array_filter(
            $columns,
            static fn (string $column): bool => !array_key_exists($column, $otherwise) || $otherwise[$column] !== null,
        );
        $values = array_map(static fn (string $column): string => $otherwise[$column] ?? 'x.' . $column, $columns);
        $this->db->executeStatement(
            sprintf(
                'INSERT INTO %s (%s) SELECT %s FROM %s x WHERE %s',
                $table,
                implode(', ', $columns),
                implode(', ', $values),
                $table,
                $which,
            ),
            $parameters,
        );
    }

    /** @param list<int> $parameters */
    private function number(string $sql, array $parameters = []): int
    {
        $number = $this->db->fetchOne($sql, $parameters);

        return Row::int($number);
    }
}
