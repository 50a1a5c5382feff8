<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

/**
 * What its author calls a page is no business of a candidate’s (“not passed, second try”): pages are told under aliases, in the order in
 * which they are mentioned.
 */
final class PageAliases
{
    /** Fields that hold what the candidate gave: nothing in them is touched. */
    private const GIVEN = ['response' => true, 'given' => true];

    /**
     * @param array<string, mixed> $told
     * @param array<string, mixed> $mentioned {pages by name, media}
     *
     * @return array<string, mixed> both together
     */
    public static function veiled(array $told, array $mentioned): array
    {
        $pages = (array) ($mentioned['pages'] ?? []);
        $aliases = [];
        foreach (array_keys($pages) as $i => $name) {
            $aliases[(string) $name] = 'page-' . ($i + 1);
        }
        $named = [];
        foreach ($pages as $name => $page) {
            $named[$aliases[(string) $name]] = is_array($page) ? self::all($page, $aliases) : $page;
        }

        return [...self::all($told, $aliases), ...$mentioned, 'pages' => (object) $named];
    }

    /**
     * @template K of array-key
     *
     * @param array<K, mixed> $told
     * @param array<string, string> $aliases
     *
     * @return array<K, mixed>
     */
    private static function all(array $told, array $aliases): array
    {
        foreach ($aliases === [] ? [] : $told as $key => $value) {
            $told[$key] = match (true) {
                isset(self::GIVEN[$key]) => $value,
                is_array($value) => self::all($value, $aliases),
                $value instanceof \stdClass => (object) self::all((array) $value, $aliases),
                is_string($value) && ($key === 'page' || $key === 'closing') => $aliases[$value] ?? $value,
                is_string($value) => self::inText($value, $aliases),
                default => $value,
            };
        }

        return $told;
    }

    /** @param array<string, string> $aliases */
    private static function inText(string $text, array $aliases): string
    {
        return preg_replace_callback(
            '/\(page:((?:[^()\s"]|\([^()\s"]*\))+)\)/',
            static fn (array $m): string => '(page:' . ($aliases[rawurldecode($m[1])] ?? 'page-0') . ')',
            $text,
        ) ?? $text;
    }
}
