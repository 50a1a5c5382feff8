<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

/** Somebody of the staff ends the sitting. */
final readonly class Close extends Act implements ByStaff
{
}
