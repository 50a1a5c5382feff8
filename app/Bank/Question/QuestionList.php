<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Query\QueryBuilder;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\Bank\Objective\Objectives;
use Zetema\Core\Data\Malformed;

/** The dense list of a bank's questions, a page at a time; each page begins after the last row of the one before, however deep. */
final readonly class QuestionList
{
    public const PAGE = 100;
    private const COLUMNS = 'q.id, q.name, q.kind, q.status, q.excerpt, q.worth, q.revision_number AS revision, q.is_unfinished AS unfinished, q.is_pattern AS pattern, q.cleared_id IS NOT NULL AS dealt, o.path AS objective';

    public function __construct(private Connection $db, private Objectives $objectives)
    {
    }

    /**
     * @param string $after where the page before ended, as it said itself
     *
     * @return array{questions: list<array<string, mixed>>, after: string|null, total: int|null} total: on the first page
     */
    public function of(Bank $bank, QuestionFilter $filter, QuestionOrder $order, string $after = ''): array
    {
        [$phase, $keys] = self::place($after);
        $rows = [];
        for (; $phase <= ($order->has() === null ? 0 : 1) && count($rows) <= self::PAGE; ++$phase) {
            $query = $this->filtered($bank, $filter)?->select(self::COLUMNS);
            if ($query === null) {
                break;
            }
            $this->inOrder($query, $bank, $filter, $order, $phase === 1, $keys);
            array_push($rows, ...array_map(static fn (array $row): array => [...$row, 'phase' => $phase], $query->setMaxResults(self::PAGE + 1 - count($rows))->fetchAllAssociative()));
            $keys = [];
        }
        $more = count($rows) > self::PAGE;
        $rows = array_slice($rows, 0, self::PAGE);
        $last = $rows[count($rows) - 1] ?? null;

        return [
            'questions' => array_map(self::told(...), $rows),
            'after' => $more && $last !== null ? self::end($last) : null,
            'total' => $after === '' ? ($more ? $this->count($bank, $filter) : count($rows)) : null,
        ];
    }

    /** From what is counted already, where that is all that is asked for. */
    private function count(Bank $bank, QuestionFilter $filter): int
    {
        $plain = $filter->search === '' && !$filter->patterns;
        if ($plain && $filter->objective === null) {
            $query = $this->db->createQueryBuilder()->from('question_count', 'q')->select('SUM(questions)')->where('q.bank_id = :bank')->setParameter('bank', $bank->id);
            $this->plain($query, $filter);
        } elseif ($filter->isOnlySearch()) {
            $query = $this->db->createQueryBuilder()->from(SearchIndex::TABLE)->select('COUNT(*)')->where(SearchIndex::TABLE . ' MATCH :search')->setParameter('search', SearchIndex::query($bank->id, $filter->search));
        } else {
            $query = $this->filtered($bank, $filter)?->select('COUNT(*)');
        }
        $count = $query?->fetchOne();

        return is_numeric($count) ? (int) $count : 0;
    }

    /** @return QueryBuilder|null null if nothing can fit */
    private function filtered(Bank $bank, QuestionFilter $filter): ?QueryBuilder
    {
        $query = $this->db->createQueryBuilder()->from('question', 'q')->where('q.bank_id = :bank')->setParameter('bank', $bank->id);
        if ($filter->search !== '') {
            $typed = SearchIndex::query($bank->id, $filter->search);
            if ($typed === null) {
                return null;
            }
            // Only what the index found is looked at, in the order of the index where that is asked for.
            $query->andWhere('q.id IN (SELECT rowid FROM ' . SearchIndex::TABLE . ' WHERE ' . SearchIndex::TABLE . ' MATCH :search)')->setParameter('search', $typed);
        }
        if ($filter->objective === 0) {
            $query->andWhere('q.objective_id IS NULL');
        } elseif ($filter->objective !== null) {
            $this->below($query, $bank, $filter->objective);
        }
        $this->plain($query, $filter);
        if ($filter->patterns) {
            $query->andWhere('q.is_pattern = 1');
        }

        return $query;
    }

    private function plain(QueryBuilder $query, QuestionFilter $filter): void
    {
        if ($filter->kind !== null) {
            $query->andWhere('q.kind = :kind')->setParameter('kind', $filter->kind);
        }
        if ($filter->status !== null) {
            $query->andWhere('q.status = :status')->setParameter('status', $filter->status);
        }
    }

    /** Those of an objective and below, and what is dealt from there while its draft stands elsewhere. */
    private function below(QueryBuilder $query, Bank $bank, int $objective): void
    {
        $all = $this->objectives->told($bank);
        $path = array_column($all, 'path', 'id')[$objective] ?? null;
        $lies = static fn (string $other): bool => $path !== null && ($other === $path || str_starts_with($other, $path . Objective::SEPARATOR));
        $ids = array_column(array_filter($all, static fn (array $one): bool => $lies($one['path'])), 'id');
        $moved = $this->db->fetchAllNumeric('SELECT q.id, c.objective_path FROM question q JOIN revision c ON c.id = q.cleared_id WHERE q.bank_id = ? AND q.dealt_elsewhere = 1', [$bank->id]);
        $elsewhere = array_column(array_filter($moved, static fn (array $row): bool => is_string($row[1]) && $lies($row[1])), 0);
        $query->andWhere('q.objective_id IN (:objectives)' . ($elsewhere === [] ? '' : ' OR q.id IN (:elsewhere)'))->setParameter('objectives', $ids, ArrayParameterType::INTEGER);
        if ($elsewhere !== []) {
            $query->setParameter('elsewhere', $elsewhere, ArrayParameterType::INTEGER);
        }
    }

    /**
     * @param bool $without whether these are the questions that do not have what is ordered by
     * @param list<int|string> $keys of the last row of the page before
     */
    private function inOrder(QueryBuilder $query, Bank $bank, QuestionFilter $filter, QuestionOrder $order, bool $without, array $keys): void
    {
        $columns = $without ? ['q.id'] : $order->columns();
        $has = $order->has();
        if ($has !== null) {
            $query->andWhere($has . ($without ? ' IS NULL' : ' IS NOT NULL'));
        }
        $byObjective = $order === QuestionOrder::Objective && !$without;
        if ($byObjective) {
            $query->join('q', 'objective', 'o', 'o.id = q.objective_id AND o.bank_id = :bank');
            $query->setParameter('bank', $bank->id);
        } else {
            $query->leftJoin('q', 'objective', 'o', 'o.id = q.objective_id');
        }
        // What an objective holds is sorted; otherwise the database would go through the whole bank in this order.
        $columns = $filter->objective === null ? $columns : array_map(static fn (string $column): string => "COALESCE($column, $column)", $columns);
        foreach ($columns as $column) {
            $query->addOrderBy($column, $order->falls() ? 'DESC' : 'ASC');
        }
        if ($keys !== []) {
            if (count($keys) !== count($columns)) {
                throw self::noPlace();
            }
            $names = [];
            foreach ($keys as $i => $key) {
                $names[] = ':key' . $i;
                $query->setParameter('key' . $i, $key);
            }
            $query->andWhere('(' . implode(', ', $columns) . ') ' . ($order->falls() ? '<' : '>') . ' (' . implode(', ', $names) . ')');
        }
        $keyColumns = implode(', ', array_map(static fn (string $column, int $i): string => $column . ' AS key' . $i, $columns, array_keys($columns)));
        $query->addSelect($keyColumns);
    }

    /** @param array<string, mixed> $row */
    private static function end(array $row): string
    {
        $keys = [$row['phase']];
        for ($i = 0; array_key_exists('key' . $i, $row); ++$i) {
            $keys[] = $row['key' . $i];
        }

        return rtrim(strtr(base64_encode(json_encode($keys, JSON_THROW_ON_ERROR)), '+/', '-_'), '=');
    }

    /** @return array{int, list<int|string>} */
    private static function place(string $after): array
    {
        if ($after === '') {
            return [0, []];
        }
        $keys = json_decode((string) base64_decode(strtr($after, '-_', '+/'), true), true, 2);
        $phase = is_array($keys) ? array_shift($keys) : null;
        if (!is_array($keys) || !in_array($phase, [0, 1], true) || $keys === [] || array_filter($keys, static fn (mixed $key): bool => !is_int($key) && !is_string($key)) !== []) {
            throw self::noPlace();
        }

        /** @var list<int|string> $keys */
        return [$phase, $keys];
    }

    private static function noPlace(): Malformed
    {
        return new Malformed('after', 'is no place in this list; begin it anew');
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return array<string, mixed>
     */
    private static function told(array $row): array
    {
        return [
            ...array_intersect_key($row, array_flip(['id', 'name', 'kind', 'status', 'excerpt', 'worth', 'revision', 'objective'])),
            'dealt' => (bool) $row['dealt'],
            'unfinished' => (bool) $row['unfinished'],
            'pattern' => (bool) $row['pattern'],
        ];
    }
}
