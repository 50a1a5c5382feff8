<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

/** How far a question has come. Only cleared ones are dealt. */
enum Status: string
{
    case Draft = 'draft';
    case InReview = 'in review';
    case Cleared = 'cleared';
    case Retired = 'retired';
}
