<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Table;

use Zetema\Core\Data\ToldToPeople;

/** A file that cannot be opened as a table, and why. */
final class UnreadableTable extends \DomainException implements ToldToPeople
{
}
