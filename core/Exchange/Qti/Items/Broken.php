<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items;

use Zetema\Core\Exchange\Qti\Xml\Element;

/** An item that breaks the standard so that it is no question. */
final class Broken extends \RuntimeException
{
    public function __construct(public readonly Element $at, string $message)
    {
        parent::__construct($message);
    }
}
