<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Editions;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\People\Account;
use Zetema\App\People\Role;
use Zetema\Core\Sitting\Refused;

/** Which editions of an assessment there are to begin: the newest that was not withdrawn. */
final readonly class Editions
{
    public function __construct(private EntityManagerInterface $em, private ClockInterface $clock)
    {
    }

    public function newest(Blueprint $blueprint): ?Edition
    {
        return $this->em->getRepository(Edition::class)->findOneBy(['blueprint' => $blueprint, 'withdrawnAt' => null], ['number' => 'DESC']);
    }

    public function numbered(Blueprint $blueprint, int $number): ?Edition
    {
        return $this->em->getRepository(Edition::class)->findOneBy(['blueprint' => $blueprint, 'number' => $number]);
    }

    /** How many candidates have begun it. */
    public function begun(Edition $edition): int
    {
        $count = $this->em->getConnection()->fetchOne('SELECT COUNT(DISTINCT account_id) FROM sitting WHERE edition_id = ?', [$edition->id]);

        return is_numeric($count) ? (int) $count : 0;
    }

    /** @return list<int> sittings of any edition of an assessment that run; those whose time is over and that nobody has looked at since are not among them */
    public function running(Blueprint $blueprint): array
    {
        $ids = $this->em->getConnection()->fetchFirstColumn('SELECT s.id FROM edition e CROSS JOIN sitting s INDEXED BY sitting_listed ON s.edition_id = e.id WHERE e.blueprint_id = ? AND s.ended_at IS NULL AND (s.due IS NULL OR s.due >= ?) ORDER BY s.id', [$blueprint->id, (int) $this->clock->now()->format('Uv')]);

        return array_map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0, $ids);
    }

    /**
     * As it stands in the database now: Edition::isOver(), without reading the assessment again.
     *
     * @throws Refused in words, if it is not the newest any more, or nobody can begin it
     */
    public function refuseOver(Edition $edition): void
    {
        $stands = $this->em->getConnection()->fetchAssociative('SELECT e.withdrawn_at, e.closed_at, b.is_put_away, (SELECT MAX(n.number) FROM edition n WHERE n.blueprint_id = e.blueprint_id AND n.withdrawn_at IS NULL) AS newest FROM edition e JOIN blueprint b ON b.id = e.blueprint_id WHERE e.id = ?', [$edition->id]);
        if ($stands === false || $stands['withdrawn_at'] !== null || $stands['newest'] !== $edition->number) {
            throw new Refused('This edition is no longer to be begun; your list of assessments has the newest one.');
        }
        if ($stands['closed_at'] !== null || $stands['is_put_away'] === 1) {
            throw new Refused('This assessment is closed: nobody can begin it any more.');
        }
    }

    /** How many could begin one. */
    public function candidates(): int
    {
        return $this->em->getRepository(Account::class)->count(['role' => Role::Candidate]);
    }

    /** @return list<Edition> the newest of each assessment, if that is neither closed nor put away, in the order in which the assessments were made */
    public function toBegin(): array
    {
        $newest = [];
        foreach ($this->em->getRepository(Edition::class)->findBy(['withdrawnAt' => null], ['number' => 'ASC']) as $edition) {
            $newest[$edition->blueprint->id] = $edition;
        }
        ksort($newest);

        return array_values(array_filter($newest, static fn (Edition $edition): bool => !$edition->isOver()));
    }
}
