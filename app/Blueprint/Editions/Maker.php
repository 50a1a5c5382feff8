<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Editions;

use Doctrine\DBAL\Connection;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\People\Account;

/**
 * Who made an assessment: whoever froze its first edition. Others of the bank may freeze further ones; what came of it, and its closing,
 * are not theirs.
 */
final readonly class Maker
{
    public function __construct(private Connection $db)
    {
    }

    public function is(Account $account, Blueprint $blueprint): bool
    {
        $first = $this->db->fetchOne('SELECT frozen_by_id FROM edition WHERE blueprint_id = ? ORDER BY number LIMIT 1', [$blueprint->id]);

        return is_numeric($first) && (int) $first === $account->id;
    }

    /** @throws AccessDeniedHttpException */
    public function refuseOthers(Account $account, Blueprint $blueprint): void
    {
        if (!$this->is($account, $blueprint)) {
            throw new AccessDeniedHttpException('This is for whoever made the assessment, that is, froze its first edition.');
        }
    }
}
