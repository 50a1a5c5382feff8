<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper;

use Zetema\Core\Question\Problem;

/** The items of an ordering question, put into the order that its key gives. */
final class Ordering
{
    /** @return list<string>|Problem the items in their right order */
    public static function of(Body $body): array|Problem
    {
        $items = $body->choices !== [] ? $body->choices : $body->numbered;
        $said = $body->answers !== [] ? [$body->answers[0]['text'], $body->answers[0]['line']] : $body->draft->listed;
        if ($said === null) {
            return new Problem($body->draft->opening->number, 1, 'key missing: nothing says the right order');
        }
        $names = array_map(static fn (Choice $c): string => $c->letter, $items);
        $order = self::places($said[0], $names);
        $sorted = $order;
        sort($sorted);
        if ($items === [] || $sorted !== range(0, count($items) - 1)) {
            return new Problem(
                $said[1],
                1,
                sprintf('the key of an order names each item once; “%s” does not', mb_substr($said[0], 0, 60)),
            );
        }

        return array_map(static fn (int $i): string => $items[$i]->text->markdown(), $order);
    }

    /**
     * @param array<string> $names letters or numbers of the items
     *
     * @return list<int> places from 0; -1 for what names none
     */
    public static function places(string $said, array $names): array
    {
        $said = trim(preg_replace('/^\(|\)$|\.$/', '', trim($said)) ?? '');
        $named =
            preg_match('/^[A-Za-z]{2,}$/', $said) === 1
                ? str_split($said)
                : explode(' ', trim(preg_replace('/\s*(?:[,;\/>→–—-]|->)\s*|\s+(?:and\s+)?/u', ' ', $said) ?? ''));

        return array_map(static function (string $name) use ($names): int {
            $name = strtoupper(trim($name, '(). '));
            $place = array_search($name, $names, true);
            // Bullets are counted A, B, C or 1, 2, 3; so are letters by their places.
            $place =
                $place !== false
                    ? $place
                    : (ctype_digit($name) && (int) $name >= 1 && (int) $name <= count($names)
                        ? (int) $name - 1
                        : -1);

            return (int) $place;
        }, $named);
    }
}
