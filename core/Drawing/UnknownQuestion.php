<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing;

use Zetema\Core\Data\ToldToPeople;

/** A blueprint names questions that are not there. */
final class UnknownQuestion extends \DomainException implements ToldToPeople
{
    /** @param non-empty-list<string> $names */
    public function __construct(public readonly array $names)
    {
        parent::__construct(
            'There is no question ' . implode(', ', array_map(static fn (string $n): string => "“{$n}”", $names)) . ' to deal.',
        );
    }
}
