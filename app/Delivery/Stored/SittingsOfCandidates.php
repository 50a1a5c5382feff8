<?php

declare(strict_types=1);

namespace Zetema\App\Delivery\Stored;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Delivery\Sitting;
use Zetema\App\People\Account;
use Zetema\App\Shared\Row;

/** The sittings that candidates have had of an assessment. */
final readonly class SittingsOfCandidates
{
    public function __construct(private EntityManagerInterface $em, private Connection $db)
    {
    }

    /** @return list<Sitting> of one candidate and one assessment, whatever the edition */
    public function all(Blueprint $blueprint, Account $account): array
    {
        return array_values(
            array_filter(
                $this->em->getRepository(Sitting::class)->findBy(['blueprint' => $blueprint, 'account' => $account], ['id' => 'ASC']),
                static fn (Sitting $sitting): bool => !$sitting->isRehearsal(),
            ),
        );
    }

    /** @return list<int> their ids as they stand in the database now */
    public function ids(Blueprint $blueprint, Account $account): array
    {
        return Row::ints(
            $this->db->fetchFirstColumn(
                'SELECT id FROM sitting WHERE blueprint_id = ? AND account_id = ? AND edition_id IS NOT NULL ORDER BY id',
                [$blueprint->id, $account->id],
            ),
        );
    }
}
