<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Background\Jobs;
use Zetema\App\People\Account;

/**
 * Banks that are being copied or restored: in no list until their last piece, and taken away where that never comes, since a part of a bank
 * would mislead.
 */
final readonly class UnfinishedBanks
{
    public function __construct(private EntityManagerInterface $em, private Connection $db, private Jobs $jobs)
    {
    }

    /** It can be seen from now on. Within the transaction of its last piece. */
    public function finish(int $bank): void
    {
        $this->db->executeStatement('UPDATE bank SET is_unfinished = FALSE WHERE id = ?', [$bank]);
    }

    /** Takes it away in the background; its name is free at once. Within the transaction in which the work at it ends. */
    public function remove(int $bank, Account $account): void
    {
        if (
            $this->db->executeStatement(
                "UPDATE bank SET name = substr('taken away ' || id || ' ' || name, 1, 160) WHERE id = ? AND is_unfinished = TRUE",
                [$bank],
            ) > 0
        ) {
            $this->em->clear();
            $this->jobs->begin(RemoveBank::class, $bank, $account, [], atOnce: false);
        }
    }
}
