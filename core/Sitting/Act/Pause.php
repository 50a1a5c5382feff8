<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

/** Somebody of the staff lets all clocks of the sitting stand still. */
final readonly class Pause extends Act implements ByStaff
{
}
