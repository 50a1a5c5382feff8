<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Editions;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\People\Account;
use Zetema\App\People\Role;

/** Which editions of an assessment there are to begin: the newest that was not withdrawn. */
final readonly class Editions
{
    public function __construct(private EntityManagerInterface $em)
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

        return array_values(array_filter($newest, static fn (Edition $edition): bool => !$edition->isClosed() && !$edition->blueprint->isPutAway()));
    }
}
