<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Many;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\History\BankChange;
use Zetema\App\Bank\History\BankHistory;
use Zetema\App\People\Account;
use Zetema\App\Shared\PreparedStatements;
use Zetema\App\Shared\Row;
use Zetema\Core\Data\Fields;

/**
 * How questions were before a change of many: written with each of its pieces, read to undo it. The change is one entry of the history from
 * its first piece on.
 */
final readonly class ChangedRows
{
    public function __construct(private Connection $db, private PreparedStatements $statements, private BankHistory $history)
    {
    }

    /** The entry that a first piece makes. */
    public function begin(Bank $bank, Account $account, string $words): BankChange
    {
        return $this->history->record($bank, $account, UndoManyQuestions::kind(), $words, [], isAtWork: true);
    }

    public function goOn(int $change, string $words, bool $isAtWork): void
    {
        $this->history->goOn($change, $words, $isAtWork);
    }

    /** How a question stood; one that the same change has changed before goes back to what it was first. */
    public function add(int $change, Standing $was, int $version): void
    {
        $this->statements->run(
            'INSERT INTO changed_question (change_id, question_id, version, revision_id, status, objective_id, cleared_id, place) VALUES (?, ?, ?, ?, ?, ?, ?, ?) ON CONFLICT (change_id, question_id) DO UPDATE SET version = excluded.version',
            [$change, $was->id, $version, $was->revision, $was->status->value, $was->objective, $was->cleared, $was->place],
        );
    }

    public function count(int $change): int
    {
        $count = $this->db->fetchOne('SELECT COUNT(*) FROM changed_question WHERE change_id = ?', [$change]);

        return Row::int($count);
    }

    /** @return array<int, Fields> the first of them, by question */
    public function of(int $change, int $most): array
    {
        $rows = [];
        foreach (
            $this->db->fetchAllAssociative(
                'SELECT question_id, version, revision_id, status, objective_id, cleared_id, place FROM changed_question WHERE change_id = ? ORDER BY question_id LIMIT ' .
                    $most,
                [$change],
            ) as $row
        ) {
            $row = Fields::of($row);
            $rows[$row->integer('question_id')] = $row;
        }

        return $rows;
    }

    /** @param list<int> $questions */
    public function forget(int $change, array $questions): void
    {
        $this->db->executeStatement(
            'DELETE FROM changed_question WHERE change_id = ? AND question_id IN (?)',
            [$change, $questions],
            [1 => ArrayParameterType::INTEGER],
        );
    }

    /** @return array{int, list<string>} how many of its questions were changed since, and what the first of them are called */
    public function touched(int $change): array
    {
        $since = 'FROM changed_question c JOIN question q ON q.id = c.question_id WHERE c.change_id = ? AND q.version <> c.version';
        $count = $this->db->fetchOne("SELECT COUNT(*) $since", [$change]);
        $names = $this->db->fetchFirstColumn("SELECT COALESCE(q.name, '“' || q.excerpt || '”') $since ORDER BY q.id LIMIT 3", [$change]);

        return [Row::int($count), array_values(array_filter($names, is_string(...)))];
    }

    /** @return list<list<int>> the revisions that it made, some hundreds at a time */
    public function revisions(int $change): array
    {
        $made = $this->db->fetchFirstColumn(
            'SELECT q.newest_id FROM changed_question c JOIN question q ON q.id = c.question_id WHERE c.change_id = ? AND q.newest_id <> c.revision_id',
            [$change],
        );

        return array_chunk(array_map(Row::int(...), $made), 500);
    }
}
