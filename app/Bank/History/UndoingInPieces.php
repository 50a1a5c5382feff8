<?php

declare(strict_types=1);

namespace Zetema\App\Bank\History;

use Zetema\App\Background\Job;
use Zetema\App\People\Account;
use Zetema\App\Shared\Conflict;

/** What can be so much that undoing it is a job. */
interface UndoingInPieces extends Undoing
{
    /**
     * @return Job|null null: it is little, and undone as everything else
     *
     * @throws Conflict with the reason, if what was done since stands in its way; then nothing is undone
     */
    public function begin(BankChange $change, Account $account): ?Job;
}
