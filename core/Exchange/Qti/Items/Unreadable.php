<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items;

use Zetema\Core\Exchange\Qti\Xml\Element;

/** An item of which no question can be made: the first reason, by the name of an element or attribute. */
final class Unreadable extends \RuntimeException
{
    /** @param string $what '' for the name of the element */
    public function __construct(public readonly Element $at, public readonly string $what = '')
    {
        parent::__construct($what === '' ? $at->written : $what);
    }
}
