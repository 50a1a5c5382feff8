<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Sitting\Act\Refused;
use Zetema\Core\Sitting\Event\Event;

/** What came of an act: the events to keep, those of the clock among them, and why it was refused, if it was. */
final readonly class Taken
{
    /** @param list<Event> $events in their order */
    public function __construct(public array $events, public ?Refused $refused = null)
    {
    }
}
