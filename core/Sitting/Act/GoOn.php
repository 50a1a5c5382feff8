<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

/** On from this screen. */
final readonly class GoOn extends Act
{
}
