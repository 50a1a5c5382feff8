<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

/** The sitting begins. */
final readonly class Start extends Act
{
}
