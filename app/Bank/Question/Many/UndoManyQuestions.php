<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Many;

use Doctrine\DBAL\Connection;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;
use Zetema\App\Background\Job;
use Zetema\App\Background\Jobs;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\History\BankChange;
use Zetema\App\Bank\History\UndoingInPieces;
use Zetema\App\People\Account;
use Zetema\App\Shared\Conflict;
use Zetema\App\Shared\PreparedStatements;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Change\Changed;
use Zetema\Core\Question\Sketch;
use Zetema\Core\Question\Status;

/** Takes a change of many questions back: each that nobody touched since is as it was, and the revision made by the change goes. */
final readonly class UndoManyQuestions implements UndoingInPieces
{
    /** Up to so many take less than a second. */
    private const AT_ONCE = 300;

    /** @param iterable<HoldsRevisions> $holders */
    public function __construct(
        private Connection $db,
        private PreparedStatements $statements,
        private QuestionWriter $writer,
        private ChangedRows $rows,
        private Jobs $jobs,
        #[AutowireIterator(HoldsRevisions::class)]
        private iterable $holders,
    ) {
    }

    public static function kind(): string
    {
        return 'questions';
    }

    public function begin(BankChange $change, Account $account): ?Job
    {
        if ($this->rows->count($change->id) <= self::AT_ONCE) {
            return null;
        }
        $this->refuse($change);

        return $this->jobs->begin(UndoInPieces::class, $change->bank->id, $account, ['change' => $change->id], atOnce: false);
    }

    public function undo(BankChange $change, Account $account): void
    {
        $this->refuse($change);
        for ($left = $this->rows->count($change->id); $left > 0; $left -= self::AT_ONCE) {
            $this->piece($change->bank, $change->id, self::AT_ONCE);
        }
    }

    /**
     * Undoes the next few questions of a change, within a transaction.
     *
     * @return array{back: int, left: int} left: as they are, since somebody changed them meanwhile
     */
    public function piece(Bank $bank, int $change, int $size): array
    {
        $before = $this->rows->of($change, $size);
        $back = [];
        foreach (Standing::of($this->db, $bank, array_keys($before)) as $id => $standing) {
            if ($standing->version === $before[$id]->integer('version')) {
                $this->back($standing, $before[$id]);
                $back[] = $id;
            }
        }
        foreach (Standing::of($this->db, $bank, $back) as $again) {
            $sketch = Sketch::of(Fields::of($again->content), $again->name, $again->names());
            $prepared = $this->writer->prepare(new ManyChanged($again, new Changed($sketch, null, [], []), $again->status), $bank);
            $this->writer->follow($prepared, $bank, ['dealt_elsewhere' => (int) $again->isDealtElsewhere()]);
        }
        $this->rows->forget($change, array_keys($before));

        return ['back' => count($back), 'left' => count($before) - count($back)];
    }

    /** @throws Conflict with the reason, if what was done since stands in its way */
    public function refuse(BankChange $change): void
    {
        [$count, $names] = $this->rows->touched($change->id);
        if ($count > 0) {
            throw new Conflict(
                sprintf(
                    '%d of these questions were changed since (%s). Put them right by hand, or restore their revisions.',
                    $count,
                    implode(', ', $names),
                ),
            );
        }
        foreach ($this->rows->revisions($change->id) as $made) {
            foreach ($this->holders as $holder) {
                $why = $holder->whyHeld($change->bank, $made);
                $why === null || throw new Conflict($why);
            }
        }
    }

    private function back(Standing $standing, Fields $before): void
    {
        $revision = $before->integer('revision_id');
        $cleared = $before->optionalInteger('cleared_id');
        $this->statements->run('UPDATE question SET newest_id = ?, status = ?, objective_id = ?, cleared_id = ?, place = ? WHERE id = ?', [
            $revision,
            Status::from($before->text('status'))->value,
            $before->optionalInteger('objective_id'),
            $cleared,
            $before->integer('place'),
            $standing->id,
        ]);
        if ($cleared !== $standing->cleared) {
            $this->statements->run('UPDATE revision SET is_dealt = (id = ?) WHERE question_id = ?', [$cleared ?? 0, $standing->id]);
        }
        if ($revision !== $standing->revision) {
            $this->statements->run('DELETE FROM revision WHERE id = ?', [$standing->revision]);
        }
    }
}
