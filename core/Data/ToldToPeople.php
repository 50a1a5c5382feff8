<?php

declare(strict_types=1);

namespace Zetema\Core\Data;

/** What went wrong in words that are meant for whoever asked for it; any other exception is a fault of ours, and only logged. */
interface ToldToPeople extends \Throwable
{
}
