<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Act;

/** What staff does, and no candidate: a pause does not keep it away. */
interface ByStaff
{
}
