<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

use Zetema\Core\Data\ToldToPeople;

/** An act that cannot be done now. By it nothing changes but what the clock did. */
final class Refused extends \DomainException implements ToldToPeople
{
    private function __construct(public readonly Refusal $refusal, private readonly string $field = '')
    {
        parent::__construct($refusal->inWords());
    }

    public static function because(Refusal $refusal): self
    {
        return new self($refusal);
    }

    /** @param Refusal $refusal Missing, Unexpected or Malformed */
    public static function field(string $field, Refusal $refusal): self
    {
        return new self($refusal, $field);
    }

    /** As it is written down: "question/closed", "seconds/malformed". */
    public function slug(): string
    {
        return $this->field === '' ? $this->refusal->value : $this->field . '/' . $this->refusal->value;
    }
}
