<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Undoable;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Apart\ApartPairs;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\History\BankChange;
use Zetema\App\Bank\History\BankHistory;
use Zetema\App\Bank\History\Undoing;
use Zetema\App\Bank\Question\Question;
use Zetema\App\People\Account;
use Zetema\App\Shared\Conflict;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Saving;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Status;

/** Two questions that ask the same become one: pools made by hand and blueprints take the one that is kept, the other is retired. */
final readonly class Merging implements Undoing
{
    public function __construct(
        private EntityManagerInterface $em,
        private Connection $db,
        private Saving $saving,
        private BankHistory $history,
        private NamesQuestions $names,
        private ApartPairs $apart,
    ) {
    }

    public static function kind(): string
    {
        return 'merge';
    }

    /** @throws Malformed|Conflict */
    public function merge(Bank $bank, int $keep, int $other, Account $account): BankChange
    {
        return $this->saving->make(function () use ($bank, $keep, $other, $account): BankChange {
            $this->em->clear();
            $questions = $this->em->getRepository(Question::class);
            [$kept, $gone] = [
                $questions->findOneBy(['bank' => $bank->id, 'id' => $keep]),
                $questions->findOneBy(['bank' => $bank->id, 'id' => $other]),
            ];
            if ($kept === null || $gone === null || $kept === $gone) {
                throw new Malformed('other', 'must be another question of this bank');
            }
            if ($gone->status() === Status::Retired || $kept->status() === Status::Retired) {
                throw new Conflict('One of them is retired already.');
            }
            $undo = [
                'other' => $other,
                'status' => $gone->status()->value,
                'cleared' => $gone->cleared()?->id,
                'elsewhere' => $this->db->fetchOne('SELECT dealt_elsewhere FROM question WHERE id = ?', [$other]),
                'pools' => $this->db->fetchFirstColumn('SELECT pool_id FROM pool_question WHERE question_id = ?', [$other]),
                'kept' => $this->db->fetchFirstColumn('SELECT pool_id FROM pool_question WHERE question_id = ?', [$keep]),
                'keep' => $keep,
                'apart' => ($met = $this->apart->with($keep)),
                'plans' => $this->names->replace($kept->bank, $other, $keep),
            ];
            $this->db->executeStatement(
                Dialects::of($this->db)->insertNew() .
                    ' INTO pool_question (pool_id, question_id) SELECT pool_id, ? FROM pool_question WHERE question_id = ?',
                [$keep, $other],
            );
            $this->db->executeStatement('DELETE FROM pool_question WHERE question_id = ?', [$other]);
            foreach (array_diff($this->apart->with($other), $met, [$keep]) as $third) {
                $this->apart->add($keep, $third);
            }
            $gone->moveTo(Status::Retired, $account->role->inTheBank());
            $this->em->flush();
            $called = static fn (Question $question): string => $question->name() ?? $question->excerpt();

            return $this->history->record(
                $kept->bank,
                $account,
                self::kind(),
                sprintf('merged the question “%s” into “%s”', $called($gone), $called($kept)),
                [...$undo, 'version' => $gone->version()],
            );
        });
    }

    public function undo(BankChange $change, Account $account): void
    {
        $undo = Fields::of($change->undo);
        $other = $undo->integer('other');
        if ($this->db->fetchOne('SELECT version FROM question WHERE id = ?', [$other]) !== $undo->integer('version')) {
            throw new Conflict('The question that was retired by this was changed since. Put it right by hand.');
        }
        $this->names->putBack($undo->objects('plans'));
        $cleared = $undo->optionalInteger('cleared');
        $this->db->update(
            'question',
            [
                'status' => $undo->text('status'),
                'cleared_id' => $cleared,
                'dealt_elsewhere' => $undo->integer('elsewhere'),
                'version' => $undo->integer('version') + 1,
            ],
            ['id' => $other],
        );
        $this->db->executeStatement('UPDATE revision SET is_dealt = TRUE WHERE id = ?', [$cleared ?? 0]);
        $keep = $undo->integer('keep');
        if ($undo->has('apart')) {
            $this->apart->put($keep, $undo->integers('apart'));
        }
        foreach ($undo->integers('pools') as $pool) {
            $this->db->executeStatement(
                Dialects::of($this->db)->insertNew() . ' INTO pool_question (pool_id, question_id) SELECT id, ? FROM pool WHERE id = ?',
                [$other, $pool],
            );
            if (!in_array($pool, $undo->integers('kept'), true)) {
                $this->db->delete('pool_question', ['pool_id' => $pool, 'question_id' => $keep]);
            }
        }
    }
}
