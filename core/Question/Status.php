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

    /**
     * The one table of steps: from, to, who may take it. A cleared question becomes a draft again by being edited, not by a step.
     *
     * @return list<self>
     */
    public function next(BankRole $role): array
    {
        $steps = match ($this) {
            self::Draft => [[self::InReview, true], [self::Cleared, true], [self::Retired, false]],
            self::InReview => [[self::Cleared, true], [self::Draft, true], [self::Retired, false]],
            self::Cleared => [[self::Retired, false]],
            self::Retired => [[self::Draft, false]],
        };

        return array_column(array_filter($steps, static fn (array $step): bool => $role === BankRole::Author || $step[1]), 0);
    }
}
