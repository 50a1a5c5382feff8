<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

/** Somebody of the staff lets a paused sitting go on. */
final readonly class Resume extends Act implements ByStaff
{
}
