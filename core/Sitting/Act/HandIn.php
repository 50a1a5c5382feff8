<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

/** The paper is handed in. */
final readonly class HandIn extends Act
{
}
