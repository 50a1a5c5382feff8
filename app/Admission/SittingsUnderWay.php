<?php

declare(strict_types=1);

namespace Zetema\App\Admission;

use Zetema\App\Blueprint\Blueprint;
use Zetema\App\People\Account;
use Zetema\Core\Sitting\Candidacy;

/** Sittings that run while it is said anew who may sit an assessment, until when and how long. */
interface SittingsUnderWay
{
    /** @param callable(Account): Candidacy $candidacy as it is now */
    public function termsChanged(Blueprint $blueprint, callable $candidacy): void;
}
