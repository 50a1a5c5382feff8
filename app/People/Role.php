<?php

declare(strict_types=1);

namespace Zetema\App\People;

use Zetema\Core\Question\BankRole;

/** What an account is for. */
enum Role: string
{
    case Author = 'author';
    case Reviewer = 'reviewer';
    case Candidate = 'candidate';
    case Administrator = 'administrator';

    /** What it may do with a bank's questions; whoever keeps the accounts may do all that an author may. */
    public function inTheBank(): ?BankRole
    {
        return match ($this) {
            self::Author, self::Administrator => BankRole::Author,
            self::Reviewer => BankRole::Reviewer,
            self::Candidate => null,
        };
    }
}
