<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\Persistence\ManagerRegistry;

/** The ways to begin a transaction, beside Saving: each says what it has for itself meanwhile, and has it before it reads anything. */
final readonly class Transactions
{
    public function __construct(private EntityManagerInterface $em, private Connection $db, private ManagerRegistry $registry)
    {
    }

    /**
     * Of entities: what was changed of them is written at its end. If it fails, nothing that was loaded is known any more.
     *
     * @template R
     *
     * @param callable(): R $work
     *
     * @return R
     */
    public function over(Lock $lock, callable $work): mixed
    {
        $this->db->beginTransaction();
        try {
            $result = $work();
            $this->em->flush();
            $this->db->commit();

            return $result;
        } catch (\Throwable $e) {
            if ($this->db->isTransactionActive()) {
                $this->db->rollBack();
            }
            if ($this->em->isOpen()) {
                $this->em->clear();
            } else {
                $this->registry->resetManager();
            }
            throw $e;
        }
    }

    /**
     * Of statements alone: entities are neither looked through nor written.
     *
     * @template R
     *
     * @param callable(): R $work
     *
     * @return R
     */
    public function ofRows(Lock $lock, callable $work): mixed
    {
        return $this->db->transactional($work(...));
    }
}
