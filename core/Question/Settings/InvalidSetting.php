<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Settings;

/** A value that a setting cannot have. The message says what would be right. */
final class InvalidSetting extends \DomainException
{
}
