<?php

declare(strict_types=1);

namespace Zetema\App\Intake;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Background\Job;
use Zetema\App\Background\Jobs;
use Zetema\App\Bank\Batch;
use Zetema\App\Bank\History\BankChange;
use Zetema\App\Bank\History\BankHistory;
use Zetema\App\Bank\History\UndoingInPieces;
use Zetema\App\Bank\Question\Many\UndoManyQuestions;
use Zetema\App\People\Account;
use Zetema\App\Shared\Conflict;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** An intake as a step in the bank's history, from its first piece; undoing it takes the batch back, a piece at a time. */
final readonly class TakingBack implements UndoingInPieces
{
    public function __construct(
        private EntityManagerInterface $em,
        private Connection $db,
        private BankHistory $history,
        private UndoManyQuestions $many,
        private Jobs $jobs,
    ) {
    }

    public static function kind(): string
    {
        return 'intake';
    }

    /** Says in the history that it is being taken in. Within a transaction. */
    public function record(Batch $batch): void
    {
        $entry = $batch->entry();
        if ($entry === null) {
            $this->em->persist($batch);
            $this->em->flush();
            $batch->recordedAs(
                $this->history->record(
                    $batch->bank,
                    $batch->account,
                    self::kind(),
                    self::words($batch),
                    ['batch' => $batch->id],
                    isAtWork: true,
                ),
            );
        } else {
            $this->history->goOn($entry->id, self::words($batch), isAtWork: true);
        }
    }

    public function goOn(Batch $batch, bool $isAtWork): void
    {
        $entry = $batch->entry();
        $entry === null ? null : $this->history->goOn($entry->id, self::words($batch), $isAtWork);
    }

    /** @param list<string> $by what keeps those that stay, in words */
    public function end(Batch $batch, int $account, int $kept, array $by): void
    {
        $entry = $batch->entry();
        if ($entry !== null) {
            $this->history->goOn(
                $entry->id,
                self::words($batch) .
                    ($kept === 0 ? '' : sprintf('; of these %d stay%s', $kept, $by === [] ? '' : ': ' . implode(', ', $by))),
                isAtWork: false,
            );
            $this->history->undone($entry->id, $account);
        }
    }

    public function begin(BankChange $change, Account $account): Job
    {
        $batch = $this->em->find(Batch::class, Fields::of($change->undo)->integer('batch')) ?? throw new Conflict('This batch is gone.');

        return $this->takeBack($batch, $account);
    }

    public function undo(BankChange $change, Account $account): void
    {
        throw new \LogicException('it always is a job');
    }

    /**
     * Takes a batch back: all its questions that nobody has changed since and that no edition holds; and what came with it and is not
     * needed.
     *
     * @throws Malformed|Conflict if it has been, or one of its revised questions was changed since; then nothing is taken back
     */
    public function takeBack(Batch $batch, Account $account): Job
    {
        if ($batch->entry()?->isAtWork() === true) {
            throw new Conflict('This batch is being taken in just now. Stop it first, or wait until it is done.');
        }
        $change = $batch->change();
        if ($change !== null && !$change->isUndone()) {
            $this->many->refuse($change);
        }

        return $this->jobs->begin(
            TakeBack::class,
            $batch->bank->id,
            $account,
            ['batch' => $batch->id],
            atOnce: $batch->questions() + $batch->revisions() <= TakeIn::AT_ONCE,
            with: function () use ($batch): array {
                if ($this->db->fetchOne('SELECT taken_back_at FROM batch WHERE id = ?', [$batch->id]) !== null) {
                    throw new Malformed('batch', 'has been taken back already');
                }
                if (
                    $this->db->fetchOne(
                        "SELECT 1 FROM job WHERE bank_id = ? AND task = ? AND state IN ('waiting', 'running') AND " .
                            Dialects::of($this->db)->jsonText('input', 'batch') .
                            ' = ?',
                        [$batch->bank->id, TakeBack::name(), $batch->id],
                        [2 => ParameterType::INTEGER],
                    ) !== false
                ) {
                    throw new Conflict('This batch is being taken back already.');
                }

                return [];
            },
        );
    }

    private static function words(Batch $batch): string
    {
        $parts = [];
        foreach (['question' => $batch->questions(), 'new revision' => $batch->revisions()] as $what => $count) {
            if ($count > 0) {
                $parts[] = $count === 1 ? "one $what" : "$count {$what}s";
            }
        }

        return sprintf('took in “%s”%s', $batch->name(), $parts === [] ? '' : ': ' . implode(', ', $parts));
    }
}
