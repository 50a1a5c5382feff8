<?php

declare(strict_types=1);

namespace Zetema\App\People;

/** What an account is for. */
enum Role: string
{
    case Author = 'author';
    case Reviewer = 'reviewer';
    case Candidate = 'candidate';
    case Administrator = 'administrator';
}
