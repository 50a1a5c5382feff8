<?php

declare(strict_types=1);

namespace Zetema\App\Bank\History;

use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;
use Zetema\App\People\Account;
use Zetema\App\Shared\Conflict;

/** How one kind of change is undone. */
#[AutoconfigureTag]
interface Undoing
{
    /** The kind of change, as it is stored. */
    public static function kind(): string;

    /**
     * Within the transaction in which it is marked as undone.
     *
     * @throws Conflict with the reason, if what was done since stands in its way
     */
    public function undo(BankChange $change, Account $account): void;
}
