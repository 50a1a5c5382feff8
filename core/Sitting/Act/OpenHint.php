<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

/** The next hint is opened. */
final readonly class OpenHint extends AtQuestion
{
}
