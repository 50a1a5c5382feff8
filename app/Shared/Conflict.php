<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

use Zetema\Core\Data\ToldToPeople;

/** Two requests that cannot both be meant: the later one changes nothing. */
final class Conflict extends \DomainException implements ToldToPeople
{
}
