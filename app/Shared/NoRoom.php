<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

/** A file could not be written as a whole; nothing of it is kept. */
final class NoRoom extends \RuntimeException
{
}
