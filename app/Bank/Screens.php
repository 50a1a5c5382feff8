<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\KindId;
use Zetema\Core\Question\Question;

/** The kinds that have their screens. The core and the command line know all twelve; a bank takes in those that can be edited and sat. */
final class Screens
{
    public const KINDS = [KindId::One, KindId::Several, KindId::Claim, KindId::Number, KindId::Text];

    public static function problemOf(Question $question): ?string
    {
        return in_array($question->kind::id(), self::KINDS, true) ? null
            : sprintf('a question of kind %s has no screen to edit or sit it yet, so it stays in the text; the command line reads and marks it', $question->kind::id()->value);
    }

    /** @throws InvalidQuestion */
    public static function refuseWithout(Question $question): void
    {
        $problem = self::problemOf($question);
        if ($problem !== null) {
            throw new InvalidQuestion($problem, 'kind');
        }
    }
}
