<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Settings;

/** What a response counts that was open when the question’s time ran out. */
enum Late: string
{
    case Wrong = 'wrong';
    case Blank = 'blank';
    case Marks = 'marks';
}
