<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

/** What somebody may do with a bank's questions. */
enum BankRole: string
{
    case Author = 'author';
    case Reviewer = 'reviewer';
}
