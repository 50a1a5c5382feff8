<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Written;

/** Which choices an answer names: by letters, by their texts, or by a letter and its text. */
final class ChoiceKey
{
    private const BETWEEN = '(?:\s*[,;\/&]\s*(?:and\s+|&\s*)?|\s+and\s+|\s+)';
    private const ONE = '\(?\s*[A-Za-z]\s*[).]?';

    /**
     * @param string $said without a full stop at its end
     * @param list<string> $letters of the choices, capital
     * @param list<string> $texts of the choices
     *
     * @return list<int>|string places of the choices from 0, or why it names none
     */
    public static function read(string $said, array $letters, array $texts): array|string
    {
        $said = trim($said);
        if (preg_match('/^' . self::ONE . '(?:' . self::BETWEEN . self::ONE . ')*$/u', $said) === 1) {
            preg_match_all('/(?<![A-Za-z])[A-Za-z](?![A-Za-z])/', $said, $m);

            return self::places(array_map(strtoupper(...), $m[0]), $letters);
        }
        $same = self::withText($said, $texts);
        if ($same !== []) {
            return count($same) === 1 ? $same : sprintf('“%s” is the text of more than one choice', $said);
        }
        if (preg_match('/^[A-Za-z]{2,}$/', $said) === 1 && array_diff(str_split(strtoupper($said)), $letters) === []) {
            return self::places(str_split(strtoupper($said)), $letters);
        }
        if (preg_match('/^\(?\s*([A-Za-z])\s*(?:[).:]|\s[-–—])\s*(\S.*)$/us', $said, $m) === 1) {
            $place = array_search(strtoupper($m[1]), $letters, true);
            $same = self::withText($m[2], $texts);

            return match (true) {
                $place === false => sprintf('there is no choice %s', strtoupper($m[1])),
                in_array($place, $same, true) => [$place],
                default => sprintf('the letter is %s, but “%s” is not what stands there', strtoupper($m[1]), $m[2]),
            };
        }

        return sprintf('“%s” names no choice', $said);
    }

    /**
     * @param list<string> $texts
     *
     * @return list<int>
     */
    public static function withText(string $said, array $texts): array
    {
        $found = [];
        foreach (['is', 'reads'] as $way) {
            foreach ($texts as $i => $text) {
                if ($way === 'is' ? $text === $said : self::folded($text) === self::folded($said)) {
                    $found[] = $i;
                }
            }
            if ($found !== []) {
                return $found;
            }
        }

        return [];
    }

    private static function folded(string $text): string
    {
        return mb_strtolower(rtrim(Characters::straight(Characters::tidy(str_replace(['*', "\n"], ['', ' '], $text))), '.'));
    }

    /**
     * @param array<string> $named
     * @param list<string> $letters
     *
     * @return list<int>|string
     */
    private static function places(array $named, array $letters): array|string
    {
        $places = [];
        foreach ($named as $letter) {
            $place = array_search($letter, $letters, true);
            if ($place === false) {
                return sprintf('there is no choice %s', $letter);
            }
            $places[] = $place;
        }
        $places = array_values(array_unique($places));
        sort($places);

        return $places;
    }
}
