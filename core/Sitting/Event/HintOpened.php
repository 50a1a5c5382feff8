<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

/** The next hint of a question was opened. */
final readonly class HintOpened extends AtQuestion
{
}
