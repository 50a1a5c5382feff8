<?php

declare(strict_types=1);

namespace Zetema\App\Intake;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Bank\Batch;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\Bank\Question\Many\ChangedRows;
use Zetema\App\Bank\Question\Many\Standing;
use Zetema\App\Bank\Question\Question;
use Zetema\Core\Question\Sketch;

/** New revisions of questions that were brought in again; one step in the bank's history, undone like a change of many. */
final readonly class BringingAgain
{
    public function __construct(
        private EntityManagerInterface $em,
        private Connection $db,
        private ChangedRows $rows,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param array<int, array{Sketch, string|null, Objective|null}> $questions what they become, by their ids; without an objective they
     *   stay where they are
     */
    public function revise(Batch $batch, array $questions): void
    {
        if ($questions === []) {
            return;
        }
        $before = iterator_to_array(Standing::of($this->db, $batch->bank, array_keys($questions)));
        foreach ($questions as $id => [$sketch, $name, $objective]) {
            $question = $this->em->find(Question::class, $id);
            if ($question !== null && isset($before[$id])) {
                $question->edit(
                    $sketch,
                    $name ?? $question->name(),
                    $objective ?? $question->objective(),
                    $batch->account,
                    $this->clock->now(),
                    afresh: true,
                );
            }
        }
        $this->em->flush();
        // Files of one batch are one step: what an earlier one revised goes back to what it was first.
        $earlier = $batch->change();
        $change =
            $earlier !== null && !$earlier->isUndone()
                ? $earlier
                : $this->rows->begin($batch->bank, $batch->account, 'brings questions in again');
        foreach (Standing::of($this->db, $batch->bank, array_keys($before)) as $id => $now) {
            $this->rows->add($change->id, $before[$id], $now->version);
        }
        $count = $this->rows->count($change->id);
        $batch->revised($change, $count);
        $this->rows->goOn($change->id, self::words($batch, $count), isAtWork: true);
    }

    /** After the last of them. */
    public function end(Batch $batch): void
    {
        $change = $batch->change();
        if ($change !== null && !$change->isUndone()) {
            $this->rows->goOn($change->id, self::words($batch, $this->rows->count($change->id)), isAtWork: false);
        }
    }

    private static function words(Batch $batch, int $count): string
    {
        return sprintf(
            'brought %s in again as new %s (%s)',
            $count === 1 ? 'one question' : "$count questions",
            $count === 1 ? 'revision' : 'revisions',
            $batch->name(),
        );
    }
}
