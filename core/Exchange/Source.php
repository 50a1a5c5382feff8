<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange;

/** A way in: questions as somebody has them, found one after another. */
interface Source
{
    /** @return \Generator<int, Found> in the order they are written */
    public function questions(): \Generator;

    /** After all questions were read. */
    public function report(): Report;
}
