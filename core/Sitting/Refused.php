<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting;

use Zetema\Core\Data\ToldToPeople;

/** Something that a candidate cannot do now. The message is for the candidate; nothing has changed. */
final class Refused extends \DomainException implements ToldToPeople
{
}
