<?php

declare(strict_types=1);

namespace Zetema\App\Admission;

use Zetema\App\Blueprint\Blueprint;

/** Sittings that run while it is said anew who may sit an assessment, until when and how long. */
interface SittingsUnderWay
{
    public function termsChanged(Blueprint $blueprint): void;
}
