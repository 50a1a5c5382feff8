<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Data\ToldToPeople;

/** An act that cannot be done now. By it nothing changes but what the clock did. */
final class Refused extends \DomainException implements ToldToPeople
{
    /** @param string $why such as "question/closed"; what there is stands in docs/formats/sitting.md */
    public function __construct(public readonly string $why)
    {
        parent::__construct($why);
    }
}
