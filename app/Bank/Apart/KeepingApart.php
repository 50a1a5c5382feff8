<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Apart;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\History\BankChange;
use Zetema\App\Bank\History\BankHistory;
use Zetema\App\Bank\History\Undoing;
use Zetema\App\Bank\Question\Question;
use Zetema\App\People\Account;
use Zetema\App\Shared\Conflict;
use Zetema\App\Shared\Saving;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** Where somebody says at a question which others it never meets in a form. Stands in the bank's history and can be taken back there. */
final readonly class KeepingApart implements Undoing
{
    private const MOST = 50;

    public function __construct(private Connection $db, private Saving $saving, private BankHistory $history, private ApartPairs $pairs)
    {
    }

    public static function kind(): string
    {
        return 'apart';
    }

    /**
     * @param Fields $body {before: ids it did not meet as it was seen, others: ids it does not meet from now on}
     *
     * @throws Malformed if one is none of this bank, or the question itself
     * @throws Conflict if somebody changed it meanwhile
     */
    public function put(Question $question, Fields $body, Account $account): BankChange
    {
        $body->only('before', 'others');
        $seen = self::rising($body->integers('before'));
        $others = self::rising($body->integers('others'));
        if (in_array($question->id, $others, true) || count($others) > self::MOST) {
            throw new Malformed(
                'others',
                in_array($question->id, $others, true) ? 'are other questions' : sprintf('are too many; up to %d can be', self::MOST),
            );
        }

        return $this->saving->make(function () use ($question, $seen, $others, $account): BankChange {
            $before = $this->pairs->with($question->id);
            if ($before !== $seen) {
                throw new Conflict('Which questions it does not meet was changed meanwhile. Look again and say it once more.');
            }
            $this->pairs->put($question->id, $others);
            if ($this->pairs->with($question->id) !== $others) {
                throw new Malformed('others', 'must be questions of this bank');
            }
            if ($others === $before) {
                throw new Malformed('others', 'are the same as before');
            }
            $words = array_diff($others, $before) === [] ? 'let the question “%s” meet %s again' : 'kept the question “%s” apart from %s';
            $changed = count(array_diff($others, $before) === [] ? array_diff($before, $others) : array_diff($others, $before));

            return $this->history->record(
                $question->bank,
                $account,
                self::kind(),
                sprintf($words, $question->name() ?? $question->excerpt(), $changed === 1 ? 'another' : "$changed others"),
                ['question' => $question->id, 'before' => $before, 'after' => $others],
            );
        });
    }

    public function undo(BankChange $change, Account $account): void
    {
        $undo = Fields::of($change->undo);
        $question = $undo->integer('question');
        if (
            $this->db->fetchOne('SELECT 1 FROM question WHERE id = ?', [$question]) === false ||
            $this->pairs->with($question) !== $undo->integers('after')
        ) {
            throw new Conflict('Which questions it does not meet was changed since. Put it right at the question.');
        }
        $this->pairs->put($question, $undo->integers('before'));
    }

    /**
     * @param list<int> $ids
     *
     * @return list<int>
     */
    private static function rising(array $ids): array
    {
        $ids = array_values(array_unique($ids));
        sort($ids);

        return $ids;
    }
}
