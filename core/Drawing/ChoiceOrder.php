<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing;

use Zetema\Core\Question\Choice;
use Zetema\Core\Question\Question;

/** The order in which one candidate sees a question's choices: shuffled if set, pinned ones in their place. */
final class ChoiceOrder
{
    /** @return list<int> ids of the choices */
    public static function of(Question $question, bool $shuffle, Chance $chance): array
    {
        $choices = $question->kind->choices();
        $free = array_values(array_filter($choices, static fn (Choice $c): bool => !$c->pinned));
        $mixed = $shuffle ? $chance->shuffled($free) : $free;

        return array_map(static function (Choice $choice) use (&$mixed): int {
            return $choice->pinned ? $choice->id : (array_shift($mixed)->id ?? $choice->id);
        }, $choices);
    }
}
