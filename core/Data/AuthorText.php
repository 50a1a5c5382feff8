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
        $plain = mb_strtolower(preg_replace('/[^\p{L}\p{N}]+/u', ' ', self::excerpt($text, 4 * $characters)) ?? '');

        return mb_substr(trim($plain), 0, $characters);
    }

    /** The first words of a text, for lists: one line, without marks of emphasis. */
    public static function excerpt(string $text, int $characters = 140): string
    {
        $plain = preg_replace(['/!\[([^\]]*)\]\([^)]*\)/u', '/(?<!\\\\)[*`]+/', '/[\^~](\S{1,40}?)[\^~]/u', '/\\\\([\\\\*`^~$])/', '/\s+/u'], ['$1', '', '$1', '$1', ' '], $text) ?? $text;

        return mb_strlen($plain) > $characters ? mb_substr($plain, 0, $characters - 1) . '…' : $plain;
    }
}
