<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

/** The candidate went on from the screen. */
final readonly class WentOn extends Event
{
}
