<?php

declare(strict_types=1);

namespace Zetema\Core\Data;

/** Texts as authors write them: lines without space at their ends, no blank lines before or after. */
final class AuthorText
{
    /** The one form in which a text of several lines is kept, so that writing and reading gives the same. */
    public static function tidy(string $text): string
    {
        if (!mb_check_encoding($text, 'UTF-8')) {
            throw new Malformed('text', 'is not UTF-8');
        }
        $lines = preg_split('/\r\n|\r|\n/', $text);

        return trim(implode("\n", array_map(self::line(...), $lines === false ? [] : $lines)), "\n");
    }

    /** One line without white space at its ends. */
    public static function line(string $line): string
    {
        return preg_replace('/^\s+|\s+$/u', '', $line) ?? '';
    }

    /** What texts are compared and sorted by: their beginning in small letters, without marks. */
    public static function comparable(string $text, int $characters = 200): string
    {
        $plain = mb_strtolower(preg_replace('/[^\p{L}\p{N}]+/u', ' ', self::cut(self::unmarked($text), 4 * $characters)) ?? '');

        return mb_substr(trim($plain), 0, $characters);
    }

    /** The first words of a text, for lists: one line, without marks of emphasis, with formulas and raised signs in plain characters. */
    public static function excerpt(string $text, int $characters = 140): string
    {
        $pieces = preg_split('/' . PlainSigns::FORMULA . '/u', $text, flags: PREG_SPLIT_DELIM_CAPTURE);
        $plain = '';
        foreach ($pieces === false ? [$text] : $pieces as $i => $piece) {
            $plain .= $i % 2 === 1 ? PlainSigns::ofFormula($piece) : self::unmarked(self::moved($piece));
        }

        return self::cut(preg_replace('/\s+/u', ' ', $plain) ?? $plain, $characters);
    }

    /** With raised and lowered signs in their plain characters, and links by their words. */
    private static function moved(string $text): string
    {
        $text = preg_replace('/(?<!!)\[([^\]]*)\]\([^()\s]*\)/u', '$1', $text) ?? $text;

        return preg_replace_callback(
            '/(?<!\\\\)(\^[^\s^]{1,40}\^|~[^\s~]{1,40}~)/u',
            static fn (array $m): string => PlainSigns::raisedOrLowered(mb_substr($m[1], 1, -1), $m[1][0] === '^'),
            $text,
        ) ?? $text;
    }

    /** Without marks of emphasis, and signs that were escaped as they read. */
    private static function unmarked(string $text): string
    {
        return preg_replace(
            ['/!\[([^\]]*)\]\([^)]*\)/u', '/(?<!\\\\)[*`]+/', '/[\^~](\S{1,40}?)[\^~]/u', '/\\\\([\\\\*`^~$])/', '/\s+/u'],
            ['$1', '', '$1', '$1', ' '],
            $text,
        ) ?? $text;
    }

    private static function cut(string $plain, int $characters): string
    {
        return mb_strlen($plain) > $characters ? mb_substr($plain, 0, $characters - 1) . '…' : $plain;
    }
}
