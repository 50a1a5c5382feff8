<?php

declare(strict_types=1);

namespace Zetema\Tests\Core;

use Zetema\Core\Exchange\Found;
use Zetema\Core\Exchange\TextFormat\Reader;
use Zetema\Core\Question\Problem;
use Zetema\Core\Question\Question;

/** Questions for tests, written as an author writes them. */
final class TextQuestions
{
    public static function one(string $text): Question
    {
        $read = self::all($text)[0] ?? throw new \LogicException('no question in the text');

        return $read->question ?? throw new \LogicException(implode('; ', array_map(static fn (Problem $p): string => $p->message, $read->problems)));
    }

    /** @return list<Found> */
    public static function all(string $text): array
    {
        return iterator_to_array((new Reader())->questions($text), false);
    }
}
