<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

/** Somebody of the staff let all clocks of the sitting stand still. */
final readonly class Paused extends Event
{
}
