<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Doctrine\DBAL\Connection;
use Zetema\App\Bank\Apart\ApartPairs;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Pool\PoolMembers;
use Zetema\App\Blueprint\Stored\StoredStock;

/** What forms are dealt from while an assessment is planned and rehearsed: the bank as it is now, with the pools that it keeps. */
final readonly class BankStock
{
    public function __construct(private Connection $db, private PoolMembers $members, private ApartPairs $apart)
    {
    }

    /** @param bool $drafts whether what is not cleared is dealt, too */
    public function of(Bank $bank, bool $drafts = false): StoredStock
    {
        return StoredStock::ofBank(
            $this->db,
            $bank->id,
            fn (array $names): array => $this->members->named($bank, $names),
            $this->apart->of($bank),
            $drafts,
        );
    }
}
