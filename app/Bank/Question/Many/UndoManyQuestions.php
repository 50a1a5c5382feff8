<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Many;

use Doctrine\DBAL\Connection;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;
use Zetema\App\Bank\History\BankChange;
use Zetema\App\Bank\History\Undoing;
use Zetema\App\People\Account;
use Zetema\App\Shared\Conflict;
use Zetema\App\Shared\PreparedStatements;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Change\Changed;
use Zetema\Core\Question\Sketch;
use Zetema\Core\Question\Status;

/** Takes a change of many questions back: each that nobody touched since is as it was, and the revision made by the change goes. */
final readonly class UndoManyQuestions implements Undoing
{
    /** @param iterable<HoldsRevisions> $holders */
    public function __construct(private Connection $db, private PreparedStatements $statements, private QuestionWriter $writer, #[AutowireIterator(HoldsRevisions::class)] private iterable $holders)
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
            [$id, $version, $revision, $status, $objective, $cleared, $place] = is_array($row) ? array_pad($row, 7, null) : array_fill(0, 7, null);
            if (is_int($id) && is_int($version) && is_int($revision) && is_string($status)) {
                $before[$id] = [$id, $version, $revision, $status, is_int($objective) ? $objective : null, is_int($cleared) ? $cleared : null, is_int($place) ? $place : 0];
            }
        }
        $touched = $made = $standings = [];
        foreach (Standing::of($this->db, $bank, array_keys($before)) as $id => $standing) {
            $standings[$id] = $standing;
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
        foreach (array_chunk($standings, 500, preserve_keys: true) as $piece) {
            foreach ($piece as $id => $standing) {
                $this->back($standing, $before[$id]);
            }
            foreach (Standing::of($this->db, $bank, array_keys($piece)) as $again) {
                $sketch = Sketch::of(Fields::of($again->content), $again->name, $again->names());
                $prepared = $this->writer->prepare(new ManyChanged($again, new Changed($sketch, null, [], []), $again->status), $bank);
                $this->writer->follow($prepared, $bank, ['dealt_elsewhere' => (int) $again->isDealtElsewhere()]);
            }
        }
    }

    /** @param array{int, int, int, string, int|null, int|null, int} $before id, version, revision, status, objective, cleared revision, place */
    private function back(Standing $standing, array $before): void
    {
        [, , $revision, $status, $objective, $cleared, $place] = $before;
        $this->statements->run('UPDATE question SET newest_id = ?, status = ?, objective_id = ?, cleared_id = ?, place = ? WHERE id = ?', [$revision, $status, $objective, $cleared, $place, $standing->id]);
        if ($cleared !== $standing->cleared) {
            $this->statements->run('UPDATE revision SET is_dealt = (id = ?) WHERE question_id = ?', [$cleared ?? 0, $standing->id]);
        }
        if ($revision !== $standing->revision) {
            $this->statements->run('DELETE FROM revision WHERE id = ?', [$standing->revision]);
        }
    }

    private function excerpt(int $id): string
    {
        $excerpt = $this->db->fetchOne('SELECT excerpt FROM question WHERE id = ?', [$id]);

        return is_string($excerpt) ? $excerpt : '';
    }
}
