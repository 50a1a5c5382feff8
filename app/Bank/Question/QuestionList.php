<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\Bank\Objective\Objectives;

/** The dense list of a bank's questions, read without entities since it may have thousands of rows. */
final readonly class QuestionList
{
    public function __construct(private Connection $db, private EntityManagerInterface $em, private Objectives $objectives)
    {
    }

    /**
     * @param int|null $objective its id, with what lies below it; 0: without an objective
     *
     * @return list<array<string, mixed>>
     */
    public function of(Bank $bank, ?int $objective, ?string $kind, ?string $status, string $search, bool $patterns = false): array
    {
        $query = $this->db->createQueryBuilder()
            ->select('q.id', 'q.name', 'q.kind', 'q.status', 'q.excerpt', 'q.objective_id', 'o.path AS objective', 'r.number AS revision', 'r.worth', 'q.cleared_id IS NOT NULL AS dealt', 'r.problem IS NOT NULL AS unfinished', 'q.is_pattern AS pattern')
            ->from('question', 'q')
            ->join('q', 'revision', 'r', 'r.id = q.newest_id')
            ->leftJoin('q', 'objective', 'o', 'o.id = q.objective_id')
            ->where('q.bank_id = :bank')->setParameter('bank', $bank->id)
            ->orderBy('q.id', 'ASC');
        if ($objective === 0) {
            $query->andWhere('q.objective_id IS NULL');
        } elseif ($objective !== null) {
            $path = $this->em->find(Objective::class, $objective)->path ?? '';
            // Also what is dealt from there while its draft stands elsewhere.
            $query->leftJoin('q', 'revision', 'c', 'c.id = q.cleared_id')
                ->andWhere('(o.path = :path OR substr(o.path, 1, :length) = :below OR c.objective_path = :path OR substr(c.objective_path, 1, :length) = :below)')
                ->setParameter('path', $path)->setParameter('below', $path . Objective::SEPARATOR)->setParameter('length', mb_strlen($path . Objective::SEPARATOR));
        }
        if ($kind !== null) {
            $query->andWhere('q.kind = :kind')->setParameter('kind', $kind);
        }
        if ($status !== null) {
            $query->andWhere('q.status = :status')->setParameter('status', $status);
        }
        if ($search !== '') {
            $query->andWhere('(q.excerpt LIKE :search ESCAPE \'!\' OR q.name LIKE :search ESCAPE \'!\' OR r.content LIKE :search ESCAPE \'!\')')
                ->setParameter('search', '%' . str_replace(['!', '%', '_'], ['!!', '!%', '!_'], $search) . '%');
        }
        if ($patterns) {
            $query->andWhere('q.is_pattern = 1');
        }
        $place = array_flip(array_map(static fn (Objective $o): int => $o->id, $this->objectives->of($bank)));
        $byPlace = [];
        foreach ($query->executeQuery()->iterateAssociative() as $row) {
            $objectiveId = is_numeric($row['objective_id']) ? (int) $row['objective_id'] : 0;
            unset($row['objective_id']);
            $byPlace[$place[$objectiveId] ?? PHP_INT_MAX][] = [...$row, 'dealt' => (bool) $row['dealt'], 'unfinished' => (bool) $row['unfinished'], 'pattern' => (bool) $row['pattern']];
        }
        ksort($byPlace);

        return array_merge(...$byPlace);
    }
}
