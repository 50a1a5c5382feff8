<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

/** Somebody of the staff ended the sitting. */
final readonly class ClosedByStaff extends Event
{
}
