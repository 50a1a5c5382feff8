<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Editions;

use Zetema\App\Blueprint\Blueprint;
use Zetema\App\People\Account;

/** Ends the sittings of an assessment that run while it is closed, each as staff closes one. */
interface ClosesSittings
{
    public function closeRunning(Blueprint $blueprint, Account $by): void;
}
