<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Out;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Shared\Row;

/** A bank's questions one after another, by objective, each objective's as they were put in order, or made; little of them is in memory. */
final readonly class QuestionsInOrder
{
    public const PIECE = 100;

    public function __construct(private EntityManagerInterface $em)
    {
    }

    /**
     * @param list<int>|null $only questions by their ids; null: all
     *
     * @return \Generator<int, list<Question>> in pieces
     */
    public function of(Bank $bank, ?array $only): \Generator
    {
        foreach (
            array_chunk($only === null ? $this->ids($bank) : array_values(array_intersect($this->ids($bank), $only)), self::PIECE) as $ids
        ) {
            $questions = $this->em
                ->createQuery('SELECT q, n FROM ' . Question::class . ' q LEFT JOIN q.newest n WHERE q.id IN (:ids)')
                ->setParameter('ids', $ids)
                ->getResult();
            $byId = [];
            foreach (is_array($questions) ? $questions : [] as $question) {
                if ($question instanceof Question) {
                    $byId[$question->id] = $question;
                }
            }
            yield array_values(array_filter(array_map(static fn (int $id): ?Question => $byId[$id] ?? null, $ids)));
            $this->em->clear();
        }
    }

    /** @return list<int> */
    private function ids(Bank $bank): array
    {
        $ids = $this->em
            ->getConnection()
            ->fetchFirstColumn(
                'SELECT q.id FROM question q LEFT JOIN objective o ON o.id = q.objective_id WHERE q.bank_id = ? ORDER BY o.place IS NULL, o.place, q.place, q.id',
                [$bank->id],
            );

        return array_map(Row::int(...), $ids);
    }
}
