<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

/** What brings a response, or asks for the mark of one: shortly after a clock was due it counts as come in time. */
abstract readonly class WithResponse extends AtQuestion
{
}
