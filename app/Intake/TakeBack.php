<?php

declare(strict_types=1);

namespace Zetema\App\Intake;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Background\Job;
use Zetema\App\Background\Progress;
use Zetema\App\Background\Task;
use Zetema\App\Bank\Batch;
use Zetema\App\Bank\ComesWithBatch;
use Zetema\App\Bank\History\BankHistory;
use Zetema\App\Bank\Question\Listing\SearchIndex;
use Zetema\App\Bank\Question\Many\ChangedRows;
use Zetema\App\Bank\Question\Many\UndoManyQuestions;
use Zetema\App\Shared\Lock;
use Zetema\Core\Data\Fields;

/** Takes a batch back, a piece at a time: blueprints, then revisions, then questions, then the pages and objectives that nothing needs any more. */
final readonly class TakeBack implements Task
{
    private const FREE = 'version = intake_version AND NOT EXISTS (SELECT 1 FROM edition_question e WHERE e.question_id = question.id)';
    /** A page is needed where a blueprint names it, itself or by the refresher of a question. */
    private const NEEDED = "EXISTS (SELECT 1 FROM blueprint b, json_tree(b.document) t WHERE b.bank_id = page.bank_id AND t.type = 'text' AND t.value = page.name)
        OR EXISTS (SELECT 1 FROM question q JOIN revision r ON r.id IN (q.newest_id, q.cleared_id) WHERE q.bank_id = page.bank_id AND json_extract(r.content, '$.settings.refresher') = page.name)";

    public function __construct(private EntityManagerInterface $em, private Connection $db, private ComesWithBatch $beside, private UndoManyQuestions $many, private ChangedRows $rows, private BankHistory $history, private TakingBack $entries, private SearchIndex $search, private ClockInterface $clock)
    {
    }

    public static function name(): string
    {
        return 'take back';
    }

    public function run(Job $job, Progress $progress): array
    {
        $batch = $this->batch($job);
        $progress->begin($batch->questions() + $batch->revisions());
        // Blueprints first: what keeps one of them does not keep its questions.
        $goesOn = $progress->cursor()->has('blueprints') || $this->piece($job, $progress, 0, fn (Batch $batch): array => ['blueprints' => $this->beside->takeBack($batch)]);
        $goesOn = $goesOn && $this->putBack($job, $progress) && $this->takeOut($job, $progress);
        if ($goesOn && !$progress->cursor()->has('by')) {
            $this->piece($job, $progress, 0, fn (Batch $batch): array => $this->end($batch, $job, $progress->cursor()));
        }
        $at = $progress->cursor();
        $blueprints = $at->optionalObject('blueprints');

        return ['putBack' => $at->integer('putBack', 0), 'taken' => $at->integer('taken', 0), 'kept' => $at->integer('kept', 0), 'blueprints' => $blueprints?->integer('taken') ?? 0, 'by' => $at->texts('by', optional: true)];
    }

    /** What was taken back is gone; the rest can be taken back by another press. */
    public function abandon(Job $job): void
    {
    }

    private function batch(Job $job): Batch
    {
        return $this->em->find(Batch::class, Fields::of($job->input)->integer('batch')) ?? throw new \LogicException('a batch stays');
    }

    /** @param callable(Batch): array<string, mixed> $write gives what the cursor has more */
    private function piece(Job $job, Progress $progress, int $size, callable $write): bool
    {
        $before = $progress->cursor();
        $done = $before->integer('done', 0) + $size;
        $this->em->clear();

        return $progress->piece(Lock::bank($job->bankId), $done, fn (): array => [...$before->raw(), 'done' => $done, ...$write($this->batch($job))], $size);
    }

    /** Revised questions are as they were; those that somebody changed meanwhile stay. */
    private function putBack(Job $job, Progress $progress): bool
    {
        for ($goesOn = true; $goesOn;) {
            $change = $this->batch($job)->change();
            $left = $change === null || $change->isUndone() ? 0 : $this->rows->count($change->id);
            if ($change === null || $left === 0) {
                return true;
            }
            $size = min($left, $progress->size());
            $goesOn = $this->piece($job, $progress, $size, function (Batch $batch) use ($change, $size, $job, $progress): array {
                $some = $this->many->piece($batch->bank, $change->id, $size);
                if ($this->rows->count($change->id) === 0) {
                    $this->history->undone($change->id, $job->account->id);
                }

                return ['putBack' => $progress->cursor()->integer('putBack', 0) + $some['back']];
            });
        }

        return false;
    }

    private function takeOut(Job $job, Progress $progress): bool
    {
        $batch = $this->batch($job)->id;
        for ($goesOn = true; $goesOn;) {
            $last = $progress->cursor()->integer('last', 0);
            $ids = $this->db->fetchFirstColumn('SELECT id FROM question WHERE batch_id = ? AND id > ? ORDER BY id LIMIT ' . $progress->size(), [$batch, $last]);
            if ($ids === []) {
                return true;
            }
            $goesOn = $this->piece($job, $progress, count($ids), function () use ($ids, $progress): array {
                $free = $this->db->fetchFirstColumn('SELECT id FROM question WHERE id IN (?) AND ' . self::FREE, [$ids], [ArrayParameterType::INTEGER]);
                foreach ($free as $id) {
                    $this->search->forget(is_numeric($id) ? (int) $id : 0);
                }
                $this->db->executeStatement('DELETE FROM question WHERE id IN (?)', [$free], [ArrayParameterType::INTEGER]);

                return ['last' => max(0, ...array_map(intval(...), array_filter($ids, is_numeric(...)))), 'taken' => $progress->cursor()->integer('taken', 0) + count($free)];
            });
        }

        return false;
    }

    /** @return array{kept: int, by: list<string>} */
    private function end(Batch $batch, Job $job, Fields $at): array
    {
        $this->db->executeStatement('DELETE FROM page WHERE batch_id = ? AND version = 1 AND NOT (' . self::NEEDED . ')', [$batch->id]);
        do {
            $emptied = $this->db->executeStatement(
                'DELETE FROM objective WHERE batch_id = ? AND id NOT IN (SELECT objective_id FROM question WHERE objective_id IS NOT NULL) AND id NOT IN (SELECT parent_id FROM objective WHERE parent_id IS NOT NULL)',
                [$batch->id],
            );
        } while ($emptied > 0);
        $batch->takeBack($this->clock->now());
        $kept = $this->db->fetchOne('SELECT COUNT(*) FROM question WHERE batch_id = ?', [$batch->id]);
        $kept = is_numeric($kept) ? (int) $kept : 0;
        $by = [...$this->keptBy($batch), ...array_map(static fn (string $title): string => sprintf('the blueprint “%s”, which was used since', $title), $at->object('blueprints')->texts('kept'))];
        $this->entries->end($batch, $job->account->id, $kept, $by);

        return ['kept' => $kept, 'by' => $by];
    }

    /** @return list<string> what keeps the questions of a batch that was taken back, and its pages */
    private function keptBy(Batch $batch): array
    {
        $by = [];
        $changed = $this->db->fetchOne('SELECT COUNT(*) FROM question WHERE batch_id = ? AND version <> intake_version', [$batch->id]);
        if (is_numeric($changed) && $changed > 0) {
            $by[] = sprintf('%d changed since', $changed);
        }
        foreach ($this->db->fetchAllKeyValue('SELECT b.title, COUNT(DISTINCT q.id) FROM question q JOIN edition_question e ON e.question_id = q.id JOIN edition d ON d.id = e.edition_id JOIN blueprint b ON b.id = d.blueprint_id WHERE q.batch_id = ? GROUP BY b.id ORDER BY b.title', [$batch->id]) as $title => $questions) {
            $by[] = sprintf('%d held by an edition of “%s”', is_numeric($questions) ? (int) $questions : 0, $title);
        }
        foreach ($this->db->fetchFirstColumn('SELECT name FROM page WHERE batch_id = ? AND version = 1 ORDER BY name', [$batch->id]) as $name) {
            $by[] = sprintf('the page “%s”, which a blueprint needs', is_string($name) ? $name : '');
        }

        return $by;
    }
}
