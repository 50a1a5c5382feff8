<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Pool;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\Core\Data\Fields;

/** A bank's pools, each with how many questions it has, how many of them can be drawn, and what draws from it. */
final readonly class Pools
{
    public function __construct(private Connection $db, private PoolMembers $members, private PoolFilter $filters, private NamesPools $names)
    {
    }

    /** @return list<array{id: int, name: string, filter: object|null, questions: int, cleared: int, drawnBy: list<string>}> */
    public function told(Bank $bank): array
    {
        $told = [];
        $drawnBy = $this->names->of($bank);
        foreach ($this->db->fetchAllAssociative('SELECT id, name, filter FROM pool WHERE bank_id = ? ORDER BY name COLLATE NOCASE', [$bank->id]) as $row) {
            $row = Fields::of($row);
            $filter = PoolMembers::filter($row);
            $ids = $this->members->of($bank, $row->integer('id'), $filter);
            $cleared = $this->db->fetchOne('SELECT COUNT(*) FROM question WHERE cleared_id IS NOT NULL AND id IN (SELECT value FROM json_each(?))', [json_encode($ids, JSON_THROW_ON_ERROR)]);
            $told[] = [
                'id' => $row->integer('id'),
                'name' => $row->text('name'),
                'filter' => $filter === null ? null : (object) $this->filters->address($bank, $filter),
                'questions' => count($ids),
                'cleared' => is_numeric($cleared) ? (int) $cleared : 0,
                'drawnBy' => $drawnBy[$row->text('name')] ?? [],
            ];
        }

        return $told;
    }
}
