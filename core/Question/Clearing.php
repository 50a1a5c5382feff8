<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

use Zetema\Core\Data\Malformed;

/** Who may clear a question: a house rule. */
enum Clearing: string
{
    case Anybody = 'its author too';
    case Another = 'only another person';

    public const REFUSED = 'only another person than who wrote in it clears it';

    /** @throws Malformed */
    public static function of(string $typed): self
    {
        return self::tryFrom($typed) ??
            throw new Malformed(
                'clearing',
                sprintf('cannot be “%s”; %s or %s would be right', $typed, self::Anybody->value, self::Another->value),
            );
    }

    /**
     * @param int $account of whoever would clear
     * @param list<int> $writers accounts of those who saved it since it was last cleared
     */
    public function lets(int $account, array $writers): bool
    {
        return $this === self::Anybody || !in_array($account, $writers, true);
    }
}
