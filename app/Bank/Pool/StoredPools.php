<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Pool;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Row;
use Zetema\Core\Data\Fields;

/** A pool as it is stored: its name, its filter, or what was put into it. */
final readonly class StoredPools
{
    public function __construct(private Connection $db)
    {
    }

    /** @return PoolContent|null null: there is none */
    public function find(Bank $bank, int $id): ?PoolContent
    {
        $row = $this->db->fetchAssociative('SELECT name, filter FROM pool WHERE bank_id = ? AND id = ?', [$bank->id, $id]);
        if ($row === false) {
            return null;
        }
        $row = Fields::of($row);
        $questions = $this->db->fetchFirstColumn('SELECT question_id FROM pool_question WHERE pool_id = ? ORDER BY question_id', [$id]);

        return new PoolContent($row->text('name'), PoolMembers::filter($row), array_map(Row::int(...), $questions));
    }

    /** An id that no pool has had: what is undone comes back under its own. */
    public function nextId(): int
    {
        $dialect = Dialects::of($this->db);
        $most = max(
            $this->db->fetchOne($dialect->lastId('pool')),
            $this->db->fetchOne('SELECT MAX(' . $dialect->jsonText('undo', 'id') . ") FROM bank_change WHERE kind = 'pool'"),
        );

        return 1 + Row::int($most);
    }

    public function isTaken(Bank $bank, string $name, int $butBy): bool
    {
        return $this->db->fetchOne('SELECT 1 FROM pool WHERE bank_id = ? AND name = ? AND id <> ?', [$bank->id, $name, $butBy]) !== false;
    }

    /** @param PoolContent|null $pool null: it goes */
    public function write(Bank $bank, int $id, ?PoolContent $pool): void
    {
        $this->db->executeStatement('DELETE FROM pool_question WHERE pool_id = ?', [$id]);
        if ($pool === null) {
            $this->db->delete('pool', ['id' => $id]);

            return;
        }
        $filter =
            $pool->filter === null
                ? null
                : json_encode((object) $pool->filter, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
        $this->db->executeStatement(
            'INSERT INTO pool (id, bank_id, name, filter) VALUES (?, ?, ?, ?) ON CONFLICT (id) DO UPDATE SET name = excluded.name, filter = excluded.filter, version = pool.version + 1',
            [$id, $bank->id, $pool->name, $filter],
        );
        // What was deleted meanwhile is left out.
        $this->db->executeStatement(
            'INSERT INTO pool_question (pool_id, question_id) SELECT ?, q.id FROM question q WHERE q.id IN (' .
                Dialects::of($this->db)->inList('?') .
                ')',
            [$id, json_encode($pool->questions, JSON_THROW_ON_ERROR)],
        );
    }
}
