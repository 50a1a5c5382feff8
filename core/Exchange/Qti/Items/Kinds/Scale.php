<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items\Kinds;

/** Choices that are the steps of a scale: whole numbers that rise by one, with words at both ends or at neither. */
final class Scale
{
    /**
     * @param list<string> $texts
     *
     * @return array<string, string>|null lines of a rating; null where they are none
     */
    public static function of(array $texts): ?array
    {
        $words = [];
        $last = null;
        foreach ($texts as $i => $text) {
            $isEnd = $i === 0 || $i === count($texts) - 1;
            if (
                preg_match('/^(\d{1,3})(?: – (.+))?$/u', $text, $m) !== 1 ||
                (isset($m[2]) && !$isEnd) ||
                ($last !== null && (int) $m[1] !== $last + 1)
            ) {
                return null;
            }
            $last = (int) $m[1];
            $words = isset($m[2]) ? [...$words, $m[2]] : $words;
        }
        if ($last === null || count($texts) < 2 || count($words) === 1 || str_contains(implode('', $words), ',')) {
            return null;
        }

        return [
            'scale' => sprintf('%d to %d', $last - count($texts) + 1, $last),
            ...$words === [] ? [] : ['ends' => implode(', ', $words)],
        ];
    }
}
