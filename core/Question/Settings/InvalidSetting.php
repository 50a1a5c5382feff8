<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Settings;

use Zetema\Core\Data\ToldToPeople;

/** A value that a setting cannot have. The message says what would be right. */
final class InvalidSetting extends \DomainException implements ToldToPeople
{
}
