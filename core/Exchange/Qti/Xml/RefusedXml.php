<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Xml;

/** A file that is not read as XML, and why: its message goes to whoever brings it. */
final class RefusedXml extends \RuntimeException
{
    public function __construct(string $message, public readonly int $atLine = 1)
    {
        parent::__construct($message);
    }
}
