<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\ORM\EntityManagerInterface;

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

    /** @return list<Edition> the newest of each assessment, in the order in which the assessments were made */
    public function toBegin(): array
    {
        $newest = [];
        foreach ($this->em->getRepository(Edition::class)->findBy(['withdrawnAt' => null], ['number' => 'ASC']) as $edition) {
            $newest[$edition->blueprint->id] = $edition;
        }
        ksort($newest);

        return array_values($newest);
    }
}
