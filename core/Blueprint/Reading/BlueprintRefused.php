<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Reading;

use Zetema\Core\Data\ToldToPeople;

/** A blueprint that cannot be sat as it is. */
final class BlueprintRefused extends \DomainException implements ToldToPeople
{
    /** @param non-empty-list<Refusal> $refusals all that were found */
    public function __construct(public readonly array $refusals)
    {
        parent::__construct($refusals[0]->message);
    }
}
