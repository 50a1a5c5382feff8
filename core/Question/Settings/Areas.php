<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Settings;

/** Whether a candidate sees where the areas of a picture are. */
enum Areas: string
{
    case Hidden = 'hidden';
    case Outlined = 'outlined';
    case AfterChecking = 'outlined after checking';
}
