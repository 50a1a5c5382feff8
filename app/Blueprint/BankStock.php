<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Pool\PoolMembers;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\DealingPlan;

/** What forms are dealt from while an assessment is planned and rehearsed: the bank as it is now, with the pools that it keeps. */
final readonly class BankStock
{
    public function __construct(private Connection $db, private PoolMembers $members)
    {
    }

    /** @param bool $drafts whether what is not cleared is dealt, too */
    public function of(Bank $bank, bool $drafts = false): StoredStock
    {
        return StoredStock::ofBank($this->db, $bank->id, fn (array $names): array => $this->members->named($bank, $names), $drafts);
    }

    /** @throws Malformed if a draw takes from a pool that the bank does not keep */
    public function refuseUnknown(Bank $bank, DealingPlan $plan): void
    {
        $unknown = array_diff($plan->pools(), array_keys($this->members->named($bank, $plan->pools())));
        if ($unknown !== []) {
            throw new Malformed('plan', sprintf('draws from the pool “%s”, which the bank does not keep', implode('”, “', $unknown)));
        }
    }
}
