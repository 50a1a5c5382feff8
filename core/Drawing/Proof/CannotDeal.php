<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing\Proof;

use Zetema\Core\Data\ToldToPeople;

/** No form was dealt: either none can be (a shortage), or with questions kept apart none was found. */
final class CannotDeal extends \DomainException implements ToldToPeople
{
    private function __construct(string $message, public readonly ?Shortage $shortage, public readonly int $tries)
    {
        parent::__construct($message);
    }

    public static function short(Shortage $shortage): self
    {
        return new self($shortage->inWords(), $shortage, 0);
    }

    public static function notFound(int $tries): self
    {
        return new self(sprintf('No form that keeps apart what must not meet was found in %d tries.', $tries), null, $tries);
    }
}
