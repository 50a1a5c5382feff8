<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Pool;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Listing\QuestionFilter;
use Zetema\App\Bank\Question\Listing\QuestionList;
use Zetema\App\Shared\Row;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Status;

/** Which questions are in a bank's pools, at this moment. */
final readonly class PoolMembers
{
    public function __construct(private Connection $db, private QuestionList $list, private PoolFilter $filters)
    {
    }

    /**
     * @param list<string> $names
     *
     * @return array<string, list<int>> ids of questions, rising, by the pool's name; a name that no pool has is left out
     */
    public function named(Bank $bank, array $names): array
    {
        $members = [];
        foreach (
            $names === []
                ? []
                : $this->db->fetchAllAssociative(
                    'SELECT id, name, filter FROM pool WHERE bank_id = ? AND name IN (?)',
                    [$bank->id, $names],
                    [1 => ArrayParameterType::STRING],
                ) as $row
        ) {
            $row = Fields::of($row);
            $members[$row->text('name')] = $this->of($bank, $row->integer('id'), self::filter($row));
        }

        return $members;
    }

    /**
     * @param array<array-key, mixed>|null $filter
     *
     * @return list<int>
     */
    public function of(Bank $bank, int $pool, ?array $filter): array
    {
        if ($filter === null) {
            return Row::ints(
                $this->db->fetchFirstColumn('SELECT question_id FROM pool_question WHERE pool_id = ? ORDER BY question_id', [$pool]),
            );
        }
        // Only what is cleared is drawn anyway; what has a draft beside its cleared revision stays in the pool.
        if (($filter['status'] ?? null) === Status::Cleared->value) {
            unset($filter['status']);
        }

        return $this->list->ids($bank, QuestionFilter::of(Fields::of($this->filters->address($bank, $filter)), null));
    }

    /** @return array<array-key, mixed>|null as it is stored in a row */
    public static function filter(Fields $row): ?array
    {
        $filter = json_decode($row->optionalText('filter') ?? 'null', true, 16, JSON_THROW_ON_ERROR);

        return is_array($filter) ? Fields::of($filter)->raw() : null;
    }
}
