<?php

declare(strict_types=1);

namespace Zetema\Core\Data;

/** Data that does not have the shape it should have. The message begins with the field's name. */
final class Malformed extends \DomainException implements ToldToPeople
{
    public function __construct(public readonly string $field, string $what)
    {
        parent::__construct($field . ': ' . $what);
    }
}
