<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Doctrine\Bundle\DoctrineBundle\Repository\ServiceEntityRepository;
use Doctrine\Persistence\ManagerRegistry;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\PasswordUpgraderInterface;
use Zetema\App\Shared\Lock;
use Zetema\App\Shared\Transactions;

/**
 * A password whose hash is weaker than the house makes them gets a new one when its owner logs in, once, and it is kept.
 *
 * @extends ServiceEntityRepository<Account>
 */
final class Accounts extends ServiceEntityRepository implements PasswordUpgraderInterface
{
    public function __construct(ManagerRegistry $registry, private readonly Transactions $transactions)
    {
        parent::__construct($registry, Account::class);
    }

    public function upgradePassword(PasswordAuthenticatedUserInterface $user, string $newHashedPassword): void
    {
        if ($user instanceof Account) {
            $this->transactions->ofRows(
                Lock::account($user->id),
                fn () => $this->getEntityManager()
                    ->getConnection()
                    ->executeStatement('UPDATE account SET password_hash = ? WHERE id = ?', [$newHashedPassword, $user->id]),
            );
        }
    }
}
