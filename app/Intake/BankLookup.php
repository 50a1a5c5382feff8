<?php

declare(strict_types=1);

namespace Zetema\App\Intake;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Shared\Row;

/** Looks up in a bank what a text has, by indexed columns: names that are taken, stems that are there. */
final readonly class BankLookup
{
    /** It is read again while one types. */
    private const MOST_COMPARED = 3_000;

    public function __construct(private Connection $db)
    {
    }

    /**
     * @param list<string> $names
     *
     * @return array<array-key, int> the questions' ids, by name
     */
    public function names(Bank $bank, array $names): array
    {
        return $this->ids($bank, 'name', $names);
    }

    /**
     * @param list<string> $keys as AuthorText::comparable gives them
     *
     * @return array<array-key, int> the questions' ids, by stem
     */
    public function stems(Bank $bank, array $keys): array
    {
        return $this->ids($bank, 'stem_key', $keys);
    }

    /**
     * Stems that others may be nearly the same as; none of a bank too large to be held against each.
     *
     * @return array<int, string> by the question's id
     */
    public function allStems(Bank $bank): array
    {
        $questions = $this->db->fetchOne("SELECT SUM(questions) FROM question_count WHERE bank_id = ? AND status <> 'retired'", [
            $bank->id,
        ]);
        $few = is_numeric($questions) && (int) $questions <= self::MOST_COMPARED;
        $stems = [];
        foreach (
            $few
                ? $this->db->iterateNumeric(
                    "SELECT id, stem_key FROM question WHERE bank_id = ? AND status <> 'retired' AND stem_key <> '' ORDER BY id",
                    [$bank->id],
                )
                : [] as [$id, $stem]
        ) {
            $stems[Row::int($id)] = is_string($stem) ? $stem : '';
        }

        return $stems;
    }

    /**
     * @param list<string> $values
     *
     * @return array<array-key, int>
     */
    private function ids(Bank $bank, string $column, array $values): array
    {
        $ids = [];
        foreach (
            $values === []
                ? []
                : $this->db->iterateNumeric(
                    "SELECT $column, id FROM question WHERE bank_id = ? AND $column IN (?)",
                    [$bank->id, $values],
                    [1 => ArrayParameterType::STRING],
                ) as $row
        ) {
            if (is_scalar($row[0] ?? null) && is_numeric($row[1] ?? null)) {
                $ids[(string) $row[0]] = (int) $row[1];
            }
        }

        return $ids;
    }
}
