<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Settings;

/** Which mark of several attempts stands. */
enum Stands: string
{
    case Last = 'last';
    case Best = 'best';
}
