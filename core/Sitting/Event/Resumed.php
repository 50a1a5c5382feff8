<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

/** Somebody of the staff let the sitting go on; its clocks end later by as long as it stood still. */
final readonly class Resumed extends Event
{
}
