<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Undoable;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\History\BankChange;
use Zetema\App\Bank\History\BankHistory;
use Zetema\App\Bank\History\Undoing;
use Zetema\App\People\Account;
use Zetema\App\Shared\Conflict;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Row;
use Zetema\App\Shared\Saving;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/**
 * The order of questions within their objective, as somebody put it. Places that were given are below 0, so that what comes later
 * stands after them, as it was made.
 */
final readonly class Arranging implements Undoing
{
    private const MOST = 5_000;

    public function __construct(private Connection $db, private Saving $saving, private BankHistory $history)
    {
    }

    public static function kind(): string
    {
        return 'order';
    }

    /**
     * @param Fields $body {questions: ids that keep their order, before: the id they go before; null: last}
     *
     * @throws Malformed if they do not stand right at one objective
     */
    public function arrange(Bank $bank, Fields $body, Account $account): BankChange
    {
        $moved = $body->integers('questions');
        $before = $body->optionalInteger('before');

        return $this->saving->make(function () use ($bank, $moved, $before, $account): BankChange {
            $objective = $this->db->fetchOne('SELECT objective_id FROM question WHERE bank_id = ? AND id = ?', [
                $bank->id,
                $moved[0] ?? 0,
            ]);
            $objective = Row::int($objective);
            $places = $this->places($objective);
            $order = array_keys($places);
            if (array_diff([...$moved, ...$before === null ? [] : [$before]], $order) !== [] || $moved === []) {
                throw new Malformed('questions', 'must stand right at one objective');
            }
            if (count($order) > self::MOST) {
                throw new Malformed(
                    'questions',
                    sprintf('are too many at this objective to be put in order by hand: %d; up to %d can be', count($order), self::MOST),
                );
            }
            $moved = array_values(array_intersect($order, $moved));
            $rest = array_values(array_diff($order, $moved));
            $at = $before === null || in_array($before, $moved, true) ? count($rest) : (int) array_search($before, $rest, true);
            array_splice($rest, $at, 0, $moved);
            if ($rest === $order) {
                throw new Malformed('questions', 'stand there already');
            }
            $this->write(array_combine($rest, range(-count($rest), -1)));
            $name = $this->db->fetchOne('SELECT name FROM objective WHERE id = ?', [$objective]);

            return $this->history->record(
                $bank,
                $account,
                self::kind(),
                sprintf('put questions of “%s” in order', is_string($name) ? $name : ''),
                ['objective' => $objective, 'before' => self::told($places), 'after' => $rest],
            );
        });
    }

    public function undo(BankChange $change, Account $account): void
    {
        $undo = Fields::of($change->undo);
        if (array_keys($this->places($undo->integer('objective'))) !== $undo->integers('after')) {
            throw new Conflict(
                'The questions of this objective are others by now, or were put in order again. Put them in order by hand.',
            );
        }
        $places = [];
        foreach ($undo->items('before') as $one) {
            if (is_array($one) && is_int($one[0] ?? null) && is_int($one[1] ?? null)) {
                $places[$one[0]] = $one[1];
            }
        }
        $this->write($places);
    }

    /** @return array<int, int> places by id, in their order */
    private function places(int $objective): array
    {
        $places = [];
        foreach (
            $this->db->iterateNumeric('SELECT id, place FROM question WHERE objective_id = ? ORDER BY place, id', [$objective]) as [$id, $place]
        ) {
            $places[Row::int($id)] = Row::int($place);
        }

        return $places;
    }

    /** @param array<int, int> $places by id */
    private function write(array $places): void
    {
        $dialect = Dialects::of($this->db);
        $rows = array_map(static fn (array $told): array => ['id' => $told[0], 'place' => $told[1]], self::told($places));
        $this->db->executeStatement(
            "UPDATE question SET place = {$dialect->jsonText('p.value', 'place')} FROM {$dialect->listed(
                '?',
            )} p WHERE question.id = {$dialect->jsonText('p.value', 'id')}",
            [json_encode($rows, JSON_THROW_ON_ERROR)],
        );
    }

    /**
     * @param array<int, int> $places by id
     *
     * @return list<array{int, int}> as pairs, whose order JSON keeps
     */
    private static function told(array $places): array
    {
        return array_map(static fn (int $id, int $place): array => [$id, $place], array_keys($places), $places);
    }
}
