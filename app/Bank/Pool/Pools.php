<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Pool;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\Core\Data\Fields;

/** A bank's pools, each with how many questions it has, how many of them can be drawn, and what draws from it. */
final readonly class Pools
{
    public function __construct(
        private Connection $db,
        private PoolMembers $members,
        private PoolFilter $filters,
        private NamesPools $names,
    ) {
    }

    /**
     * @return list<array{id: int, name: string, filter: object|null, questions: int, cleared: int, waiting: object, drawnBy: list<string>}>
     *   waiting: how many of those that cannot be drawn have which status
     */
    public function told(Bank $bank): array
    {
        $told = [];
        $drawnBy = $this->names->of($bank);
        foreach (
            $this->db->fetchAllAssociative(
                'SELECT id, name, filter FROM pool WHERE bank_id = ? ORDER BY name ' . Dialects::of($this->db)->whateverCapitals(),
                [$bank->id],
            ) as $row
        ) {
            $row = Fields::of($row);
            $filter = PoolMembers::filter($row);
            [$questions, $cleared, $waiting] = $this->counts($bank, $row->integer('id'), $filter);
            $told[] = [
                'id' => $row->integer('id'),
                'name' => $row->text('name'),
                'filter' => $filter === null ? null : (object) $this->filters->address($bank, $filter),
                'questions' => $questions,
                'cleared' => $cleared,
                'waiting' => (object) $waiting,
                'drawnBy' => $drawnBy[$row->text('name')] ?? [],
            ];
        }

        return $told;
    }

    /** How many questions a pool has, in words. */
    public function size(Bank $bank, int $id): string
    {
        $row = $this->db->fetchAssociative('SELECT filter FROM pool WHERE bank_id = ? AND id = ?', [$bank->id, $id]);
        [$questions, $cleared] = $row === false ? [0, 0, []] : $this->counts($bank, $id, PoolMembers::filter(Fields::of($row)));

        return sprintf('%d %s, %d can be drawn', $questions, $questions === 1 ? 'question' : 'questions', $cleared);
    }

    /**
     * @param array<array-key, mixed>|null $filter
     *
     * @return array{int, int, array<string, int>} of all, of those that can be drawn, and of the others by their status
     */
    private function counts(Bank $bank, int $id, ?array $filter): array
    {
        $ids = $this->members->of($bank, $id, $filter);
        $waiting = [];
        foreach (
            $this->db->fetchAllAssociative(
                'SELECT status, COUNT(*) AS questions FROM question WHERE cleared_id IS NULL AND id IN (' .
                    Dialects::of($this->db)->inList('?') .
                    ') GROUP BY status',
                [json_encode($ids, JSON_THROW_ON_ERROR)],
            ) as $row
        ) {
            $row = Fields::of($row);
            $waiting[$row->text('status')] = $row->integer('questions');
        }

        return [count($ids), count($ids) - array_sum($waiting), $waiting];
    }
}
