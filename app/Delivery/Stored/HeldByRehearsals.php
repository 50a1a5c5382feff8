<?php

declare(strict_types=1);

namespace Zetema\App\Delivery\Stored;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Many\HoldsRevisions;
use Zetema\App\Shared\Dialect\Dialects;

/** Sittings of an edition are held by the edition; a rehearsal has revisions of its own, drafts perhaps. */
final readonly class HeldByRehearsals implements HoldsRevisions
{
    public function __construct(private Connection $db)
    {
    }

    public function whyHeld(Bank $bank, array $revisions): ?string
    {
        $held = $this->db->fetchOne(
            'SELECT 1 FROM sitting s JOIN blueprint b ON b.id = s.blueprint_id, ' .
                Dialects::of($this->db)->jsonTree('s.form') .
                " t
            WHERE b.bank_id = ? AND s.edition_id IS NULL AND t.key = 'revision' AND t.value IN (?) LIMIT 1",
            [$bank->id, $revisions],
            [1 => ArrayParameterType::INTEGER],
        );

        return $held === false
            ? null
            : 'A rehearsal was begun with these questions since, and goes on with them. Change them again instead.';
    }
}
