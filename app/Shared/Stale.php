<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

use Zetema\Core\Data\ToldToPeople;

/** A request built on something that has changed since: a second tab, or another person. */
final class Stale extends \DomainException implements ToldToPeople
{
    /** @param array<string, mixed> $current what stands now */
    public function __construct(string $message, public readonly array $current)
    {
        parent::__construct($message);
    }
}
