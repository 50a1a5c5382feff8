<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Editions;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\People\Account;
use Zetema\App\People\Role;
use Zetema\Core\Sitting\Refused;

/** Which editions of an assessment there are to begin: the newest that was not withdrawn. */
final readonly class Editions
{
    public function __construct(private EntityManagerInterface $em)
    {
    }

    public function newest(Blueprint $blueprint): ?Edition
    {
        return $this->em
            ->getRepository(Edition::class)
            ->findOneBy(['blueprint' => $blueprint, 'withdrawnAt' => null], ['number' => 'DESC']);
    }

    public function numbered(Blueprint $blueprint, int $number): ?Edition
    {
        return $this->em->getRepository(Edition::class)->findOneBy(['blueprint' => $blueprint, 'number' => $number]);
    }

    /**
     * As it stands in the database now: Edition::isOver(), without reading the assessment again.
     *
     * @throws Refused in words, if it is not the newest any more, or nobody can begin it
     */
    public function refuseOver(Edition $edition): void
    {
        $stands = $this->em
            ->getConnection()
            ->fetchAssociative(
                'SELECT e.withdrawn_at, e.closed_at, b.is_put_away, (SELECT MAX(n.number) FROM edition n WHERE n.blueprint_id = e.blueprint_id AND n.withdrawn_at IS NULL) AS newest FROM edition e JOIN blueprint b ON b.id = e.blueprint_id WHERE e.id = ?',
                [$edition->id],
            );
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

    /**
     * @return list<Edition> the newest of each assessment, if that is neither closed nor put away, in the order in which the assessments
     *   were made
     */
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
