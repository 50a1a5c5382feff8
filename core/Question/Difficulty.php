<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

/** The author's own estimate; statistics know better later. */
enum Difficulty: string
{
    case Easy = 'easy';
    case Medium = 'medium';
    case Hard = 'hard';
}
