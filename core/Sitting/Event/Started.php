<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

/** The sitting began. */
final readonly class Started extends Event
{
}
