<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Processing;

use Zetema\Core\Exchange\Qti\Xml\Element;

/** Response processing that says something which is not run here. */
final class CannotRun extends \RuntimeException
{
    public function __construct(public readonly Element $at, string $why)
    {
        parent::__construct($why);
    }
}
