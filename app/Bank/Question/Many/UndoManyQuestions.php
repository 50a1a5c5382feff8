<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Many;

use Doctrine\DBAL\Connection;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\History\BankChange;
use Zetema\App\Bank\History\Undoing;
use Zetema\App\People\Account;
use Zetema\App\Shared\Conflict;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Change\Changed;
use Zetema\Core\Question\Sketch;
use Zetema\Core\Question\Status;

/** Takes a change of many questions back: each that nobody touched since is as it was, and the revision made by the change goes. */
final readonly class UndoManyQuestions implements Undoing
{
    /** @param iterable<HoldsRevisions> $holders */
    public function __construct(private Connection $db, private QuestionWriter $writer, #[AutowireIterator(HoldsRevisions::class)] private iterable $holders)
    {
    }

    public static function kind(): string
    {
        return 'questions';
    }

    public function undo(BankChange $change, Account $account): void
    {
        $bank = $change->bank;
        $undo = Fields::of($change->undo);
        $before = [];
        foreach ($undo->items('questions') as $row) {
            if (is_array($row) && is_int($row[0] ?? null)) {
                $before[$row[0]] = $row;
            }
        }
        $touched = $made = [];
        foreach (Standing::of($this->db, $bank, array_keys($before)) as $id => $standing) {
            if ($standing->version !== $before[$id][1]) {
                $touched[] = $standing->name ?? '“' . $this->excerpt($id) . '”';
            } elseif ($standing->revision !== $before[$id][2]) {
                $made[] = $standing->revision;
            }
        }
        if ($touched !== []) {
            throw new Conflict(sprintf('%d of these questions were changed since (%s). Put them right by hand, or restore their revisions.', count($touched), implode(', ', array_slice($touched, 0, 3))));
        }
        foreach ($this->holders as $holder) {
            $why = $holder->whyHeld($bank, $made);
            $why === null || throw new Conflict($why);
        }
        foreach (array_chunk(array_keys($before), 500) as $piece) {
            foreach (Standing::of($this->db, $bank, $piece) as $id => $standing) {
                $this->back($standing, $before[$id], $bank);
            }
        }
    }

    /** @param array<mixed> $before id, version, revision, status, objective, cleared revision */
    private function back(Standing $standing, array $before, Bank $bank): void
    {
        [, , $revision, $status, $objective, $cleared] = $before;
        $this->db->executeStatement('UPDATE question SET newest_id = ?, status = ?, objective_id = ?, cleared_id = ?, version = version + 1 WHERE id = ?', [$revision, $status, $objective, $cleared, $standing->id]);
        $this->db->executeStatement('UPDATE revision SET is_dealt = (id = ?) WHERE question_id = ?', [$cleared ?? 0, $standing->id]);
        if ($revision !== $standing->revision) {
            $this->db->executeStatement('DELETE FROM revision WHERE id = ?', [$standing->revision]);
        }
        foreach (Standing::of($this->db, $bank, [$standing->id]) as $again) {
            $this->db->update('question', ['dealt_elsewhere' => (int) $again->isDealtElsewhere()], ['id' => $again->id]);
            $sketch = Sketch::of(Fields::of($again->content), $again->name, $again->names());
            $this->writer->follow($this->writer->prepare(new ManyChanged($again, new Changed($sketch, null, [], []), $again->status), $bank), $bank);
        }
    }

    private function excerpt(int $id): string
    {
        $excerpt = $this->db->fetchOne('SELECT excerpt FROM question WHERE id = ?', [$id]);

        return is_string($excerpt) ? $excerpt : '';
    }
}
