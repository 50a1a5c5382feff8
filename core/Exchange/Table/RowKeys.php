<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Table;

use Zetema\Core\Exchange\TypedPaper\Choices;
use Zetema\Core\Exchange\Written\ChoiceKey;

/** Which choices a row’s key names: by letters, places or their texts. */
final class RowKeys
{
    /**
     * @param array<int, string> $texts by place
     *
     * @return list<int>|string places, or why it names none
     */
    public static function of(string $key, array $texts): array|string
    {
        $places = array_keys($texts);
        $letters = array_map(static fn (int $place): string => chr(64 + min(26, $place)), $places);
        $plain = array_values($texts);
        $key = trim($key);
        $read =
            preg_match('/^\d{1,2}(?:\s*[,;\n\/& ]\s*\d{1,2})*$/', $key) === 1
                ? self::byPlaces($key, $places)
                : ChoiceKey::read(str_replace("\n", ', ', $key), $letters, $plain);
        $byText = self::byTexts($key, $plain);
        if ($byText !== [] && is_array($read) && $byText !== $read) {
            return sprintf('“%s” is the place or letter of one choice and the text of another', $key);
        }
        $found = $byText !== [] ? $byText : $read;

        return is_string($found) ? $found : array_map(static fn (int $i): int => $places[$i], $found);
    }

    /**
     * @param list<string> $texts
     *
     * @return list<int> nothing, where a part is no text of a choice
     */
    private static function byTexts(string $key, array $texts): array
    {
        $found = [];
        foreach ([[$key], RowCells::parts($key)] as $parts) {
            $found = array_map(static fn (string $part): array => ChoiceKey::withText($part, $texts), $parts);
            if (array_filter($found, static fn (array $one): bool => count($one) !== 1) === []) {
                $places = array_unique(array_merge(...$found));
                sort($places);

                return $places;
            }
        }

        return [];
    }

    /**
     * @param list<int> $places
     *
     * @return list<int>|string
     */
    private static function byPlaces(string $key, array $places): array|string
    {
        preg_match_all('/\d+/', $key, $m);
        $found = [];
        foreach ($m[0] as $place) {
            $at = array_search((int) $place, $places, true);
            if ($at === false) {
                return sprintf('there is no choice %s', $place);
            }
            $found[] = $at;
        }
        $found = array_values(array_unique($found));
        sort($found);

        return $found;
    }
}
