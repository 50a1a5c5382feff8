<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing;

use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Kinds\ListOrder;
use Zetema\Core\Question\Question;

/**
 * The order in which one candidate sees what a question has to choose from. Choices are shuffled if set, pinned ones keep their
 * place. Right-hand sides, items, labels and the lists of gaps are always mixed: as written they would tell the answer.
 * An ordering that comes out solved is dealt once more and then stands: if it never began solved, two items would tell their
 * order, and three would tell something of it. Two items stand as dealt.
 */
final class ChoiceOrder
{
    /** @return list<int> the question's shuffledLists() lists in their new order, one after the other */
    public static function of(Question $question, bool $shuffle, Chance $chance): array
    {
        $listOrder = $question->kind::id()->facts()->listOrder;
        if ($listOrder === ListOrder::ShuffledIfSet) {
            return self::choices($question->kind->choices(), $shuffle, $chance);
        }
        $lists = $question->kind->shuffledLists();
        $mixed = array_merge(...array_map(static fn (array $list): array => $chance->shuffled($list), $lists));
        $again = $listOrder === ListOrder::ShuffledUnsolved && count($mixed) > 2 && self::isSolved($question, $mixed);

        return $again ? $chance->shuffled($mixed) : $mixed;
    }

    /**
     * The flat list of a page's order, taken apart again as shuffledLists() has it.
     *
     * @param list<int> $flat
     *
     * @return list<list<int>>
     */
    public static function lists(Question $question, array $flat): array
    {
        $lists = [];
        foreach ($question->kind->shuffledLists() as $list) {
            $lists[] = array_splice($flat, 0, count($list));
        }

        return $lists;
    }

    /**
     * @param list<Choice> $choices
     *
     * @return list<int>
     */
    private static function choices(array $choices, bool $shuffle, Chance $chance): array
    {
        $free = array_values(array_filter($choices, static fn (Choice $c): bool => !$c->pinned));
        $mixed = $shuffle ? $chance->shuffled($free) : $free;

        return array_map(static function (Choice $choice) use (&$mixed): int {
            return $choice->pinned ? $choice->id : array_shift($mixed)->id ?? $choice->id;
        }, $choices);
    }

    /** @param list<int> $order */
    private static function isSolved(Question $question, array $order): bool
    {
        return $question->kind->shownToCandidate([$order], $question->effective()) ===
            $question->kind->shownToCandidate($question->kind->shuffledLists(), $question->effective());
    }
}
