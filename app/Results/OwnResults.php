<?php

declare(strict_types=1);

namespace Zetema\App\Results;

use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Blueprint\Editions\Maker;
use Zetema\App\People\Account;

/** Results are seen by whoever made the assessment; other authors of the bank are not told how candidates did. */
final readonly class OwnResults
{
    public function __construct(private Maker $maker)
    {
    }

    public function are(Edition $edition, Account $account): bool
    {
        return $this->maker->is($account, $edition->blueprint);
    }

    /** @throws AccessDeniedException */
    public function refuseOthers(Edition $edition, Account $account): void
    {
        if (!$this->are($edition, $account)) {
            throw new AccessDeniedException();
        }
    }
}
