<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Listing;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Doctrine\DBAL\Query\QueryBuilder;
use Zetema\App\Bank\Assessments;
use Zetema\App\Bank\Bank;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Row;
use Zetema\Core\Data\Malformed;

/**
 * The dense list of a bank's questions, a page at a time; each page begins after the last row of the one before, however deep.
 * What few questions fit is looked up and sorted; where many fit, the list goes along its order until the page is full.
 */
final readonly class QuestionList
{
    public const PAGE = 100;
    private const FEW = 3_000;
    /** Of what a search finds, no more are counted: to tell 20,000 from 30,000 would cost more than to show them. */
    private const MOST_COUNTED = 2_000;
    private const COLUMNS = 'q.id, q.name, q.kind, q.status, q.excerpt, q.worth, q.revision_number AS revision, q.is_unfinished AS unfinished, q.is_pattern AS pattern, q.cleared_id IS NOT NULL AS dealt, o.path AS objective';

    public function __construct(private Connection $db, private ObjectiveScope $scope, private Assessments $assessments)
    {
    }

    /**
     * @param string $after where the page before ended, as it said itself
     * @param bool $more whether difficulty, tags and who saved it when are told, too
     *
     * @return array{questions: list<array<string, mixed>>, after: string|null, total: int|null, atLeast: bool} total: on the first page; at
     *   least so many, where more are not counted
     */
    public function of(Bank $bank, QuestionFilter $filter, QuestionOrder $order, string $after = '', bool $more = false): array
    {
        $place = ListPlace::of($after);
        $scope = $filter->objective === null ? null : $this->scope->below($bank, $filter->objective);
        $search = $filter->search === '' ? null : SearchIndex::query($bank->id, $filter->search);
        if ($filter->search !== '' && $search === null) {
            return ['questions' => [], 'after' => null, 'total' => 0, 'atLeast' => false];
        }
        $fits = $this->counted($bank, $filter, $scope);
        if (
            !$order->isIndexed() &&
            $this->total($bank, $filter, $scope, $search, $fits) >=
                ($search === null && !$filter->isMore() ? self::FEW + 1 : self::MOST_COUNTED)
        ) {
            throw new Malformed('order', sprintf('can be so only where up to %d questions fit; narrow the list first', self::FEW));
        }
        $along = $search === null && !$filter->isMore() && $fits > self::FEW;
        $rows = [];
        for (
            $phase = $place->phase, $keys = $place->keys;
            $phase <= ($order->has() === null ? 0 : 1) && count($rows) <= self::PAGE;
            ++$phase, $keys = []
        ) {
            $query = $this->query($bank, $filter, $scope, $search, $order, $phase === 1, $along)->addSelect(self::COLUMNS);
            if ($search !== null && self::isAlongIndex($order)) {
                $query->addSelect(Dialects::of($this->db)->words()->hit() . ' AS hit');
            }
            $this->inOrder($query, $order, $phase === 1, $along, $search !== null, $keys);
            $found = $query->setMaxResults(self::PAGE + 1 - count($rows))->fetchAllAssociative();
            array_push($rows, ...array_map(static fn (array $row): array => [...$row, 'phase' => $phase], $found));
        }
        $goesOn = count($rows) > self::PAGE;
        $rows = array_slice($rows, 0, self::PAGE);
        $last = $rows[count($rows) - 1] ?? null;

        $total = $after !== '' ? null : ($goesOn ? $this->total($bank, $filter, $scope, $search, $fits) : count($rows));

        return [
            'questions' => $more ? MoreOfQuestions::with($this->db, array_map(self::told(...), $rows)) : array_map(self::told(...), $rows),
            'after' => $goesOn && $last !== null ? ListPlace::end($last) : null,
            'total' => $total,
            'atLeast' => ($search !== null || $filter->isMore()) && $total === self::MOST_COUNTED,
        ];
    }

    /** How many fit, without counting far: no more than are told. */
    public function number(Bank $bank, QuestionFilter $filter): int
    {
        return $this->total(
            $bank,
            $filter,
            $filter->objective === null ? null : $this->scope->below($bank, $filter->objective),
            null,
            $this->counted($bank, $filter, null),
        );
    }

    /** @return list<int> the ids of all that fit, as they were made */
    public function ids(Bank $bank, QuestionFilter $filter): array
    {
        $search = $filter->search === '' ? null : SearchIndex::query($bank->id, $filter->search);
        if ($filter->search !== '' && $search === null) {
            return [];
        }
        $scope = $filter->objective === null ? null : $this->scope->below($bank, $filter->objective);
        $query = $this->query($bank, $filter, $scope, $search, QuestionOrder::Made, false, false)->select('q.id')->orderBy('q.id');

        return array_values(array_map(Row::int(...), $query->fetchFirstColumn()));
    }

    /** How many fit as far as that is counted already: by objective, kind and status. */
    private function counted(Bank $bank, QuestionFilter $filter, ?ObjectiveScope $scope): int
    {
        $query = $this->db
            ->createQueryBuilder()
            ->from('question_count', 'q')
            ->select('SUM(q.questions)')
            ->where('q.bank_id = :bank')
            ->setParameter('bank', $bank->id);
        if ($scope !== null) {
            $query->andWhere('q.objective_id IN (:objectives)')->setParameter('objectives', $scope->ids, ArrayParameterType::INTEGER);
        }
        self::plain($query, $filter, static fn (string $column): string => $column);

        return Row::int($query->fetchOne());
    }

    private function total(Bank $bank, QuestionFilter $filter, ?ObjectiveScope $scope, ?string $search, int $fits): int
    {
        if ($search === null && !$filter->isMore() && ($scope === null || $scope->elsewhere === [])) {
            return $fits;
        }
        $query = $filter->isOnlySearch()
            ? $this->db
                ->createQueryBuilder()
                ->from(Dialects::of($this->db)->words()->from(':search'))
                ->setParameter('search', $search)
            : $this->query($bank, $filter, $scope, $search, QuestionOrder::Made, false, false);

        if ($search === null && !$filter->isMore()) {
            return Row::int($query->select('COUNT(*)')->fetchOne());
        }
        $found = $query->select('1')->setMaxResults(self::MOST_COUNTED);

        return Row::int(
            $this->db->fetchOne('SELECT COUNT(*) FROM (' . $found->getSQL() . ')', $found->getParameters(), $found->getParameterTypes()),
        );
    }

    /** @param bool $without whether these are the questions that do not have what is ordered by */
    private function query(
        Bank $bank,
        QuestionFilter $filter,
        ?ObjectiveScope $scope,
        ?string $search,
        QuestionOrder $order,
        bool $without,
        bool $along,
    ): QueryBuilder {
        // A column within a function is looked at and never looked up: that leaves the lookup to the others.
        $looked = $along ? self::looked(...) : static fn (string $column): string => $column;
        $dialect = Dialects::of($this->db);
        $query = $this->db->createQueryBuilder();
        if ($search !== null && self::isAlongIndex($order)) {
            $query
                ->from($dialect->words()->alongFrom(), 'q')
                ->where($dialect->words()->alongWhere(':search'))
                ->setParameter('search', $search)
                ->leftJoin('q', 'objective', 'o', 'o.id = q.objective_id');
        } elseif ($order === QuestionOrder::Objective && !$without && $along) {
            $query->from("objective o {$dialect->thenLookUp()} question", 'q')->where('q.objective_id = o.id AND o.bank_id = :bank');
        } else {
            $query->from('question', 'q')->leftJoin('q', 'objective', 'o', 'o.id = q.objective_id')->where('1 = 1');
            if ($search !== null) {
                $query->andWhere('q.id IN (' . $dialect->words()->found(':search') . ')')->setParameter('search', $search);
            }
        }
        $query->andWhere('q.bank_id = :bank')->setParameter('bank', $bank->id);
        if ($order->has() !== null) {
            $query->andWhere(($along ? $order->has() : self::looked($order->has())) . ($without ? ' IS NULL' : ' IS NOT NULL'));
        }
        $scope?->restrict($query, $looked('q.objective_id'));
        self::plain($query, $filter, $looked);
        $filter->restrict($query, $dialect, $this->assessments, $bank);

        return $query;
    }

    /** @param callable(string): string $looked */
    private static function plain(QueryBuilder $query, QuestionFilter $filter, callable $looked): void
    {
        if ($filter->kind !== null) {
            $query->andWhere($looked('q.kind') . ' = :kind')->setParameter('kind', $filter->kind);
        }
        if ($filter->status !== null) {
            $query->andWhere($looked('q.status') . ' = :status')->setParameter('status', $filter->status);
        }
    }

    /** @param list<int|string> $keys of the last row of the page before */
    private function inOrder(QueryBuilder $query, QuestionOrder $order, bool $without, bool $along, bool $searched, array $keys): void
    {
        $columns = $without ? ['q.id'] : $order->columns();
        foreach ($columns as $i => $column) {
            $query->addSelect($column . ' AS key' . $i);
        }
        $columns = match (true) {
            $searched && self::isAlongIndex($order) => [
                Dialects::of($this->db)->words()->order(),
            ], // the order in which the index gives what it found
            $along || count($columns) === 1 => $columns,
            default => array_map(self::looked(...), $columns),
        };
        foreach ($columns as $column) {
            $query->addOrderBy($column, $order->falls() ? 'DESC' : 'ASC');
        }
        if ($keys !== []) {
            if (count($keys) !== count($columns)) {
                throw ListPlace::none();
            }
            foreach ($keys as $i => $key) {
                $query->setParameter('key' . $i, $key, is_int($key) ? ParameterType::INTEGER : ParameterType::STRING);
            }
            $query->andWhere(
                '(' .
                    implode(', ', $columns) .
                    ') ' .
                    ($order->falls() ? '<' : '>') .
                    ' (:key' .
                    implode(', :key', array_keys($keys)) .
                    ')',
            );
        }
    }

    private static function isAlongIndex(QuestionOrder $order): bool
    {
        return $order === QuestionOrder::Made;
    }

    private static function looked(string $column): string
    {
        return "COALESCE($column, $column)";
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
            'hit' => is_string($row['hit'] ?? null) ? $row['hit'] : null,
        ];
    }
}
