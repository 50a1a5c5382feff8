<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Listing;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Query\QueryBuilder;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\Bank\Objective\Objectives;
use Zetema\App\Shared\Dialect\Dialects;

/** The questions of an objective and of all that lies below it, and what is dealt from there while its draft stands elsewhere. */
final readonly class ObjectiveScope
{
    /**
     * @param list<int> $ids of objectives; 0: none
     * @param list<int> $elsewhere ids of questions
     */
    public function __construct(
        private Connection $db,
        private Objectives $objectives,
        public array $ids = [],
        public array $elsewhere = [],
    ) {
    }

    /** @param int $objective its id; 0: without an objective */
    public function below(Bank $bank, int $objective): self
    {
        if ($objective === 0) {
            return new self($this->db, $this->objectives, [0]);
        }
        $all = $this->objectives->told($bank);
        $path = array_column($all, 'path', 'id')[$objective] ?? null;
        $lies = static fn (string $other): bool => $path !== null &&
            ($other === $path || str_starts_with($other, $path . Objective::SEPARATOR));
        $ids = array_column(array_filter($all, static fn (array $one): bool => $lies($one['path'])), 'id');
        $elsewhere = [];
        // By the index in any case: on the average of its two values it seems to tell nothing apart, though hardly any question has this
        // one.
        foreach (
            $this->db->iterateNumeric(
                'SELECT q.id, c.objective_path FROM question q ' .
                    Dialects::of($this->db)->hint('question_elsewhere') .
                    ' JOIN revision c ON c.id = q.cleared_id WHERE q.bank_id = ? AND q.dealt_elsewhere = TRUE',
                [$bank->id],
            ) as $row
        ) {
            if (is_numeric($row[0] ?? null) && is_string($row[1] ?? null) && $lies($row[1])) {
                $elsewhere[] = (int) $row[0];
            }
        }

        return new self($this->db, $this->objectives, $ids, $elsewhere);
    }

    /** @param string $column the question's objective */
    public function restrict(QueryBuilder $query, string $column): void
    {
        if ($this->ids === [0]) {
            $query->andWhere($column . ' IS NULL');

            return;
        }
        $query
            ->andWhere($column . ' IN (:objectives)' . ($this->elsewhere === [] ? '' : ' OR q.id IN (:elsewhere)'))
            ->setParameter('objectives', $this->ids, ArrayParameterType::INTEGER);
        if ($this->elsewhere !== []) {
            $query->setParameter('elsewhere', $this->elsewhere, ArrayParameterType::INTEGER);
        }
    }
}
