<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

/** The candidate handed in. */
final readonly class HandedIn extends Event
{
}
