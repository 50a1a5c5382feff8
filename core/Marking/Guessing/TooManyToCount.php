<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Guessing;

use Zetema\Core\Data\ToldToPeople;

/** Something that cannot be computed exactly: too many cases for good time, or something needed is not known. */
final class TooManyToCount extends \DomainException implements ToldToPeople
{
}
