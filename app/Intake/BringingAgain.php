<?php

declare(strict_types=1);

namespace Zetema\App\Intake;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Batch;
use Zetema\App\Bank\History\BankHistory;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\Bank\Question\Many\Standing;
use Zetema\App\Bank\Question\Many\UndoManyQuestions;
use Zetema\App\Bank\Question\Question;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Sketch;

/** New revisions of questions that were brought in again; one step in the bank's history, undone like a change of many. */
final class BringingAgain
{
    /** @var list<non-empty-list<mixed>> id and version, and what UndoManyQuestions has besides */
    private array $undo = [];

    public function __construct(private readonly EntityManagerInterface $em, private readonly Connection $db, private readonly BankHistory $history, private readonly ClockInterface $clock)
    {
    }

    public function begin(): void
    {
        $this->undo = [];
    }

    /** @param array<int, array{Sketch, string|null, Objective|null}> $questions what they become, by their ids; without an objective they stay where they are */
    public function revise(Batch $batch, array $questions): void
    {
        $before = iterator_to_array(Standing::of($this->db, $batch->bank, array_keys($questions)));
        foreach ($questions as $id => [$sketch, $name, $objective]) {
            $question = $this->em->find(Question::class, $id);
            if ($question !== null && isset($before[$id])) {
                $question->edit($sketch, $name ?? $question->name(), $objective ?? $question->objective(), $batch->account, $this->clock->now(), afresh: true);
            }
        }
        $this->em->flush();
        foreach (Standing::of($this->db, $batch->bank, array_keys($before)) as $id => $now) {
            $was = $before[$id];
            $this->undo[] = [$id, $now->version, $was->revision, $was->status->value, $was->objective, $was->cleared, $was->place];
        }
    }

    /**
     * Steps of an earlier file, without those of questions that this one revised once more: they go back to what they were first.
     *
     * @param list<mixed> $rows
     *
     * @return list<mixed>
     */
    private function withoutAgain(array $rows): array
    {
        $first = [];
        foreach ($rows as $row) {
            if (is_array($row) && is_int($row[0] ?? null)) {
                $first[$row[0]] = $row;
            }
        }
        foreach ($this->undo as $i => $row) {
            $id = is_int($row[0]) ? $row[0] : 0;
            if (isset($first[$id])) {
                $this->undo[$i] = [$id, $row[1] ?? 0, ...array_values(array_slice($first[$id], 2))];
                unset($first[$id]);
            }
        }

        return array_values($first);
    }

    /** How many there were, after the last of them. */
    public function end(Batch $batch, Bank $bank): int
    {
        if ($this->undo === []) {
            return 0;
        }
        // What an earlier file of the batch revised is one step with this.
        $earlier = $batch->change();
        $rows = [];
        if ($earlier !== null && !$earlier->isUndone()) {
            $rows = $this->withoutAgain(Fields::of($earlier->undo)->items('questions'));
            $batch->forgetChange();
            $this->em->flush();
            $this->em->remove($earlier);
        }
        $rows = [...$rows, ...$this->undo];
        $count = count($rows);
        $words = sprintf('brought %s in again as new %s (%s)', $count === 1 ? 'one question' : "$count questions", $count === 1 ? 'revision' : 'revisions', $batch->name());
        $batch->revised($this->history->record($bank, $batch->account, UndoManyQuestions::kind(), $words, ['questions' => $rows]), $count);

        return $count;
    }
}
