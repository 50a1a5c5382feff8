<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Scoring;

/** In what a plan's criteria are looked for. */
enum Look: string
{
    case Choices = 'choose';
    case Text = 'text';
    case Number = 'number';
    case Parts = 'parts';
    case Order = 'order';
    case Points = 'points';
}
