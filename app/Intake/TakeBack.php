<?php

declare(strict_types=1);

namespace Zetema\App\Intake;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Background\Job;
use Zetema\App\Background\Progress;
use Zetema\App\Background\Task;
use Zetema\App\Bank\Assessments;
use Zetema\App\Bank\Batch;
use Zetema\App\Bank\ComesWithBatch;
use Zetema\App\Bank\History\BankHistory;
use Zetema\App\Bank\Question\Many\ChangedRows;
use Zetema\App\Bank\Question\Many\UndoManyQuestions;
use Zetema\App\Bank\Stored\RowsOfBatch;
use Zetema\App\Shared\Lock;
use Zetema\Core\Data\Fields;

/**
 * Takes a batch back, a piece at a time: blueprints, then revisions, then questions, then the pages and objectives that nothing needs any
 * more.
 */
final readonly class TakeBack implements Task
{
    public function __construct(
        private EntityManagerInterface $em,
        private RowsOfBatch $came,
        private Assessments $assessments,
        private ComesWithBatch $beside,
        private UndoManyQuestions $many,
        private ChangedRows $rows,
        private BankHistory $history,
        private TakingBack $entries,
        private ClockInterface $clock,
    ) {
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
        $goesOn =
            $progress->cursor()->has('blueprints') ||
            $this->piece($job, $progress, 0, fn (Batch $batch): array => ['blueprints' => $this->beside->takeBack($batch)]);
        $goesOn = $goesOn && $this->putBack($job, $progress) && $this->takeOut($job, $progress);
        if ($goesOn && !$progress->cursor()->has('by')) {
            $this->piece($job, $progress, 0, fn (Batch $batch): array => $this->end($batch, $job, $progress->cursor()));
        }
        $at = $progress->cursor();
        $blueprints = $at->optionalObject('blueprints');

        return [
            'putBack' => $at->integer('putBack', 0),
            'taken' => $at->integer('taken', 0),
            'kept' => $at->integer('kept', 0),
            'blueprints' => $blueprints?->integer('taken') ?? 0,
            'by' => $at->texts('by', optional: true),
        ];
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

        return $progress->piece(
            Lock::bank($job->bankId),
            $done,
            fn (): array => [...$before->raw(), 'done' => $done, ...$write($this->batch($job))],
            $size,
        );
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
            $ids = $this->came->next($batch, $progress->cursor()->integer('last', 0), $progress->size());
            if ($ids === []) {
                return true;
            }
            $goesOn = $this->piece(
                $job,
                $progress,
                count($ids),
                fn (): array => [
                    'taken' => $progress->cursor()->integer('taken', 0) + $this->came->takeOut($ids),
                    'last' => max(0, ...$ids),
                ],
            );
        }

        return false;
    }

    /** @return array{kept: int, by: list<string>} */
    private function end(Batch $batch, Job $job, Fields $at): array
    {
        $this->came->takeOutPages($batch->id);
        $this->came->takeOutObjectives($batch->id);
        $batch->takeBack($this->clock->now());
        $kept = $this->came->questions($batch->id);
        $by = [
            ...$this->keptBy($batch),
            ...array_map(
                static fn (string $title): string => sprintf('the blueprint “%s”, which was used since', $title),
                $at->object('blueprints')->texts('kept'),
            ),
        ];
        $this->entries->end($batch, $job->account->id, $kept, $by);

        return ['kept' => $kept, 'by' => $by];
    }

    /** @return list<string> what keeps the questions of a batch that was taken back, and its pages */
    private function keptBy(Batch $batch): array
    {
        $changed = $this->came->changed($batch->id);
        $held = $this->assessments->holdOf($batch);

        return [
            ...$changed > 0 ? [sprintf('%d changed since', $changed)] : [],
            ...array_map(
                static fn (string $title, int $questions): string => sprintf('%d held by an edition of “%s”', $questions, $title),
                array_map(strval(...), array_keys($held)),
                $held,
            ),
            ...array_map(
                static fn (string $name): string => sprintf('the page “%s”, which a blueprint needs', $name),
                $this->came->pages($batch->id),
            ),
        ];
    }
}
