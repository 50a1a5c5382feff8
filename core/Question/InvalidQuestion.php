<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

use Zetema\Core\Data\ToldToPeople;

/** A question that cannot be: no key, a rule that its kind does not know. */
final class InvalidQuestion extends \DomainException implements ToldToPeople
{
    /** @param string|null $setting the setting or part that is at fault, by its word in the text format */
    public function __construct(string $message, public readonly ?string $setting = null)
    {
        parent::__construct($message);
    }
}
