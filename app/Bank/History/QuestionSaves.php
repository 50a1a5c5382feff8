<?php

declare(strict_types=1);

namespace Zetema\App\Bank\History;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Shared\Row;

/** Who saved which question when: the revisions of a bank, newest first. */
final readonly class QuestionSaves
{
    public function __construct(private Connection $db)
    {
    }

    /**
     * @param int|null $before the id of the last one of the page before
     * @param int|null $who the account that saved; null: anybody
     *
     * @return list<array{id: int, question: int, words: string, number: int, by: string, at: string, cleared: bool}>
     */
    public function of(Bank $bank, ?int $before, ?int $who, ?\DateTimeImmutable $since): array
    {
        $query = $this->db
            ->createQueryBuilder()
            ->select(
                'r.id',
                'r.question_id AS question',
                'COALESCE(q.name, q.excerpt) AS words',
                'r.number',
                'a.name',
                'r.saved_at',
                'r.was_cleared',
            )
            ->from('revision', 'r')
            ->join('r', 'question', 'q', 'q.id = r.question_id')
            ->join('r', 'account', 'a', 'a.id = r.author_id')
            ->where('r.bank_id = :bank')
            ->setParameter('bank', $bank->id)
            ->orderBy('r.id', 'DESC')
            ->setMaxResults(BankHistory::PAGE);
        foreach (
            [
                'before' => ['r.id < :before', $before],
                'who' => ['r.author_id = :who', $who],
                'since' => ['r.saved_at >= :since', $since?->format('Y-m-d H:i:s')],
            ] as $name => [$condition, $value]
        ) {
            if ($value !== null) {
                $query->andWhere($condition)->setParameter($name, $value);
            }
        }
        $int = Row::int(...);
        $text = static fn (mixed $value): string => is_string($value) ? $value : '';

        return array_values(
            array_map(
                static fn (array $row): array => [
                    'id' => $int($row['id']),
                    'question' => $int($row['question']),
                    'words' => $text($row['words']),
                    'number' => $int($row['number']),
                    'by' => $text($row['name']),
                    'at' => (new \DateTimeImmutable($text($row['saved_at'])))->format(\DATE_ATOM),
                    'cleared' => (bool) $row['was_cleared'],
                ],
                $query->fetchAllAssociative(),
            ),
        );
    }

    /** @return list<array{id: int, name: string}> all who could have done something */
    public function people(): array
    {
        return array_map(
            static fn (array $row): array => ['id' => Row::int($row['id']), 'name' => is_string($row['name']) ? $row['name'] : ''],
            $this->db->fetchAllAssociative("SELECT a.id, a.name FROM account a WHERE a.role <> 'candidate' ORDER BY a.name"),
        );
    }
}
