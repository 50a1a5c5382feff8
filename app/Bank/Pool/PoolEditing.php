<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Pool;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\History\BankChange;
use Zetema\App\Bank\History\BankHistory;
use Zetema\App\Bank\History\Undoing;
use Zetema\App\Bank\Question\Listing\ChosenQuestions;
use Zetema\App\People\Account;
use Zetema\App\Shared\Conflict;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Row;
use Zetema\App\Shared\Saving;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** Changes of a bank's pools, each one step in the bank's history that can be undone. */
final readonly class PoolEditing implements Undoing
{
    public function __construct(
        private Connection $db,
        private Saving $saving,
        private BankHistory $history,
        private StoredPools $stored,
        private PoolFilter $filters,
        private ChosenQuestions $chosen,
        private NamesPools $names,
    ) {
    }

    public static function kind(): string
    {
        return 'pool';
    }

    /**
     * @param Fields $body {do: keep | gather | hold | rename | put in | take out | remove, id or name, filter or questions as
     *   ChosenQuestions has them}
     *
     * @throws Malformed|Conflict
     */
    public function change(Bank $bank, Fields $body, Account $account): BankChange
    {
        return $this->saving->make(function () use ($bank, $body, $account): BankChange {
            $do = $body->text('do');
            $id = in_array($do, ['keep', 'gather'], true) ? $this->stored->nextId() : $body->integer('id');
            $before = $this->stored->find($bank, $id);
            if ($before === null && !in_array($do, ['keep', 'gather'], true)) {
                throw new Conflict('This pool was taken apart meanwhile.');
            }
            [$after, $words] = $this->changed($do, $bank, $body, $account, $before);
            if (PoolContent::same($before, $after)) {
                throw new Malformed('do', 'changes nothing');
            }
            $this->become($bank, $id, $before, $after);

            return $this->history->record($bank, $account, self::kind(), $words, [
                'id' => $id,
                'before' => $before?->toData(),
                'after' => $after?->toData(),
            ]);
        });
    }

    public function undo(BankChange $change, Account $account): void
    {
        $undo = Fields::of($change->undo);
        $now = $this->stored->find($change->bank, $undo->integer('id'));
        if (!PoolContent::same($now, self::content($undo->optionalObject('after')))) {
            throw new Conflict('This pool was changed again since. Undo the later changes first, newest first.');
        }
        $this->become($change->bank, $undo->integer('id'), $now, self::content($undo->optionalObject('before')));
    }

    /** @return array{PoolContent|null, string} how it is afterwards, and what is done, in words */
    private function changed(string $do, Bank $bank, Fields $body, Account $account, ?PoolContent $before): array
    {
        $before ??= new PoolContent(self::name($body), null, []);
        if (in_array($do, ['put in', 'take out'], true) && $before->filter !== null) {
            throw new Malformed('id', 'is a pool of all that fits a filter; questions are put into pools made by hand');
        }
        $chosen = in_array($do, ['gather', 'put in', 'take out'], true)
            ? $this->ofBank($bank, $this->chosen->ids($bank, $body, $account))
            : [];

        return match ($do) {
            'keep' => [
                $before->holding($this->filters->kept($bank, $body->object('filter'))),
                sprintf('kept a filter as the pool “%s”', $before->name),
            ],
            'gather' => [$before->of($chosen), sprintf('made the pool “%s” by hand', $before->name)],
            'hold' => [
                $before->holding($this->filters->kept($bank, $body->object('filter'))),
                sprintf('changed what the pool “%s” holds', $before->name),
            ],
            'rename' => [$before->called(self::name($body)), sprintf('renamed the pool “%s” to “%s”', $before->name, self::name($body))],
            'put in' => [$before->of([...$before->questions, ...$chosen]), sprintf('put questions into the pool “%s”', $before->name)],
            'take out' => [
                $before->of(array_diff($before->questions, $chosen)),
                sprintf('took questions out of the pool “%s”', $before->name),
            ],
            'remove' => [null, sprintf('took the pool “%s” apart', $before->name)],
            default => throw new Malformed('do', 'must be keep, gather, hold, rename, put in, take out or remove'),
        };
    }

    private function become(Bank $bank, int $id, ?PoolContent $before, ?PoolContent $after): void
    {
        if ($after !== null && $this->stored->isTaken($bank, $after->name, $id)) {
            throw new Conflict(sprintf('There is a pool “%s” in this bank already. Give it another name.', $after->name));
        }
        if ($after === null && $before !== null) {
            $drawnBy = $this->names->of($bank)[$before->name] ?? [];
            if ($drawnBy !== []) {
                throw new Conflict(sprintf('“%s” draws from this pool. Take that draw out first.', implode('”, “', $drawnBy)));
            }
        }
        $this->stored->write($bank, $id, $after);
        if ($before !== null && $after !== null && $before->name !== $after->name) {
            $this->names->renamed($bank, $before->name, $after->name);
        }
    }

    private static function content(?Fields $told): ?PoolContent
    {
        return $told === null ? null : PoolContent::fromData($told);
    }

    /**
     * @param list<int> $ids
     *
     * @return list<int> those of them that are of this bank
     */
    private function ofBank(Bank $bank, array $ids): array
    {
        return Row::ints(
            $this->db->fetchFirstColumn(
                'SELECT id FROM question WHERE bank_id = ? AND id IN (' . Dialects::of($this->db)->inList('?') . ')',
                [$bank->id, json_encode($ids, JSON_THROW_ON_ERROR)],
            ),
        );
    }

    private static function name(Fields $body): string
    {
        $name = preg_replace('/\s+/u', ' ', trim($body->text('name'))) ?? '';

        return $name !== '' && mb_strlen($name) <= 80 ? $name : throw new Malformed('name', 'must have 1 to 80 characters');
    }
}
