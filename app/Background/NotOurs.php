<?php

declare(strict_types=1);

namespace Zetema\App\Background;

/** A job that this process works at has been taken up by another, which took it for left: nothing more is written of it here. */
final class NotOurs extends \RuntimeException
{
}
