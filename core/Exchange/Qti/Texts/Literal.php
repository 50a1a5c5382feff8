<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Texts;

/** Text that means nothing but itself in the small Markdown. */
final class Literal
{
    /** What the small Markdown would take for marks gets a backslash. */
    public static function text(string $text): string
    {
        $text = preg_replace('/\\\\(?=[\\\\*_`^~$\[])/', '\\\\\\\\', $text) ?? $text;
        $text = str_replace('`', '\\`', $text);
        $text = preg_replace('/\[(?=[^\]\n]*\]\()/', '\\[', $text) ?? $text;
        foreach (
            [
                '/\$(?=\S)[^$\n]+?(?<=\S)\$(?!\d)/' => '$',
                '/\^[^\s^]{1,40}?\^/u' => '^',
                '/~[^\s~]{1,40}?~/u' => '~',
                '/\*\*(?=\S)[^\n]*?(?<=\S)\*\*/' => '*',
                '/(?<!\\\\)\*(?=[^\s*])[^*\n]*(?<=[^\s*\\\\])\*/' => '*',
                '/(?<!\w)_(?=\S)[^\n]*?(?<=\S)_(?!\w)/u' => '_',
            ] as $pair => $mark
        ) {
            $text =
                preg_replace_callback(
                    $pair,
                    static fn (array $m): string => preg_replace('/(?<!\\\\)' . preg_quote($mark, '/') . '/', '\\\\' . $mark, $m[0]) ??
                        $m[0],
                    $text,
                ) ?? $text;
        }

        return $text;
    }

    /** A block that must not begin a list. */
    public static function block(string $block): string
    {
        return preg_replace(['/^([-+*])(?= )/m', '/^(\d{1,9})([.)])(?= )/m'], ['\\\\$1', '$1\\\\$2'], $block) ?? $block;
    }
}
