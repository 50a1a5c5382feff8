<?php

declare(strict_types=1);

namespace Zetema\App\Results;

use Doctrine\DBAL\Connection;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\People\Account;

/** Results are seen by whoever made the assessment, that is, froze one of its editions; other authors of the bank are not told how candidates did. */
final readonly class OwnResults
{
    public function __construct(private Connection $db)
    {
    }

    public function are(Edition $edition, Account $account): bool
    {
        return $this->db->fetchOne('SELECT 1 FROM edition WHERE blueprint_id = ? AND frozen_by_id = ?', [$edition->blueprint->id, $account->id]) !== false;
    }

    /** @throws AccessDeniedException */
    public function refuseOthers(Edition $edition, Account $account): void
    {
        if (!$this->are($edition, $account)) {
            throw new AccessDeniedException();
        }
    }
}
