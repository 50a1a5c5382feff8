<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Zip;

use Zetema\Core\Data\ToldToPeople;

/** A zip that is not opened, and why: the entry or the limit is named. */
final class RefusedZip extends \DomainException implements ToldToPeople
{
}
