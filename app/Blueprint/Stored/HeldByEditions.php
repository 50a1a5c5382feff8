<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Stored;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Many\HoldsRevisions;

final readonly class HeldByEditions implements HoldsRevisions
{
    public function __construct(private Connection $db)
    {
    }

    public function whyHeld(Bank $bank, array $revisions): ?string
    {
        $held = $this->db->fetchOne(
            'SELECT 1 FROM edition_question WHERE revision_id IN (?) LIMIT 1',
            [$revisions],
            [ArrayParameterType::INTEGER],
        );

        return $held === false
            ? null
            : 'An edition was frozen with these questions since. Change them again, and freeze the next edition.';
    }
}
