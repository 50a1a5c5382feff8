<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Apart;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\App\Shared\Row;

/** Which questions of a bank never meet in a form, as it is stored. */
final readonly class ApartPairs
{
    public function __construct(private Connection $db)
    {
    }

    /** @return list<array{int, int}> ids of questions */
    public function of(Bank $bank): array
    {
        return array_map(
            static fn (array $row): array => [Row::int($row[0]), Row::int($row[1])],
            $this->db->fetchAllNumeric(
                'SELECT k.first_id, k.second_id FROM kept_apart k JOIN question q ON q.id = k.first_id WHERE q.bank_id = ? ORDER BY k.first_id, k.second_id',
                [$bank->id],
            ),
        );
    }

    /** @return list<int> ids of the questions that one never meets, rising */
    public function with(int $question): array
    {
        return Row::ints(
            $this->db->fetchFirstColumn(
                'SELECT second_id AS other FROM kept_apart WHERE first_id = :id UNION SELECT first_id FROM kept_apart WHERE second_id = :id ORDER BY other',
                ['id' => $question],
            ),
        );
    }

    /** @return list<array{id: int, words: string}> the same, with the name or the first words of each */
    public function told(int $question): array
    {
        return array_map(
            static fn (array $row): array => ['id' => Row::int($row[0]), 'words' => is_string($row[1]) ? $row[1] : ''],
            $this->db->fetchAllNumeric(
                'SELECT id, COALESCE(name, excerpt) FROM question WHERE id IN (' . Dialects::of($this->db)->inList('?') . ') ORDER BY id',
                [json_encode($this->with($question), JSON_THROW_ON_ERROR)],
            ),
        );
    }

    /** @param list<int> $others all that one never meets */
    public function put(int $question, array $others): void
    {
        $this->db->executeStatement('DELETE FROM kept_apart WHERE first_id = :id OR second_id = :id', ['id' => $question]);
        foreach ($others as $other) {
            $this->add($question, $other);
        }
    }

    /** Those that are not there any more are left out. */
    public function add(int $one, int $other): void
    {
        $this->db->executeStatement(
            Dialects::of($this->db)->insertNew() .
                ' INTO kept_apart (first_id, second_id) SELECT a.id, b.id FROM question a JOIN question b ON b.bank_id = a.bank_id WHERE a.id = ? AND b.id = ? AND a.id <> b.id',
            [min($one, $other), max($one, $other)],
        );
    }
}
