<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Doctrine\ORM\EntityRepository;
use Symfony\Component\Security\Core\User\PasswordAuthenticatedUserInterface;
use Symfony\Component\Security\Core\User\PasswordUpgraderInterface;

/**
 * A password whose hash is weaker than the house makes them gets a new one when its owner logs in, once, and it is kept.
 *
 * @extends EntityRepository<Account>
 */
final class Accounts extends EntityRepository implements PasswordUpgraderInterface
{
    public function upgradePassword(PasswordAuthenticatedUserInterface $user, string $newHashedPassword): void
    {
        if ($user instanceof Account) {
            $this->getEntityManager()->getConnection()->transactional(static fn ($db) => $db->executeStatement('UPDATE account SET password_hash = ? WHERE id = ?', [$newHashedPassword, $user->id]));
        }
    }
}
