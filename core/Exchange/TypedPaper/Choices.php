<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper;

use Zetema\Core\Exchange\TypedPaper\Lines\Mark;
use Zetema\Core\Exchange\Written\Styled;

/** Cutting choices that stand on one line, and what marks the key among them. */
final class Choices
{
    private const LETTER = '(?:\(\s*(?<a>[A-Za-z])\s*\)|(?<b>[A-Za-z])\)|(?<c>[A-Za-z])\.(?=\s|$))';

    /**
     * Where a line may be cut at letters: those of one style that go on in order from its first, and those of columns.
     *
     * @param Mark|null $after what stood before the text; null: the text begins with its first letter, or holds it
     *
     * @return list<array{int, int, string, bool}> offset of the letter, of the text behind it, the letter, whether a key is marked before
     *   it
     */
    public static function cuts(Styled $text, ?Mark $after = null): array
    {
        preg_match_all(
            '/(?<=\s|^)(?<key>(?:[*✓✔]\s*)?)' . self::LETTER . '\s*/u',
            $text->text,
            $found,
            PREG_SET_ORDER | PREG_OFFSET_CAPTURE,
        );
        $cuts = [];
        $expected = $after === null ? 'A' : chr(ord($after->sign) + 1);
        $style = $after?->style;
        foreach ($found as $m) {
            [$a, $b, $c] = [$m['a'][0] ?? '', $m['b'][0] ?? '', $m['c'][0] ?? ''];
            $letter = strtoupper($a . $b . $c);
            $here = $a !== '' ? '()' : ($b !== '' ? ')' : '.');
            $before = substr($text->text, max(0, $m[0][1] - 24), min(24, $m[0][1]));
            $isColumn = preg_match('/(?:\t| {3,})[*✓✔ ]*$/u', $before) === 1;
            if (($style === null || $style === $here) && ($letter === $expected || ($isColumn && ($cuts !== [] || $after !== null)))) {
                $cuts[] = [$m[0][1], $m[0][1] + strlen($m[0][0]), $letter, $m['key'][0] !== ''];
                $style = $here;
                $expected = chr(ord($letter) + 1);
            }
        }

        return count($cuts) >= ($after === null ? 2 : 1) ? $cuts : [];
    }

    /**
     * Takes a mark of the key out of a choice.
     *
     * @return array{Styled, string|null} the text without it, and the sort of mark
     */
    public static function mark(Styled $text): array
    {
        $mark = null;
        do {
            $before = $text->text;
            if (preg_match('/^\s*\*\*(?=\S)([^*]+?)\*\*\s*$/us', $text->text, $m, PREG_OFFSET_CAPTURE) === 1) {
                [$text, $mark] = [$text->sub($m[1][1], strlen($m[1][0])), 'sign'];
            } elseif (
                preg_match('/^\s*(?:\*(?!\*)|[✓✔])\s*/u', $text->text, $m) === 1 &&
                !self::isEmphasised($text->text, strlen($m[0]))
            ) {
                [$text, $mark] = [$text->sub(strlen($m[0])), 'sign'];
            }
            if (
                preg_match('/\s*(?:[✓✔]|\(\s*(?:correct|right|key)\s*\))\s*$/ui', $text->text, $m) === 1 ||
                (preg_match('/(?<!\*)\s*\*\s*$/u', $text->text, $m) === 1 &&
                    substr_count(str_replace('\\*', '', $text->text), '*') % 2 === 1)
            ) {
                [$text, $mark] = [$text->sub(0, strlen($text->text) - strlen($m[0])), 'sign'];
            }
        } while ($text->text !== $before);

        return [$text->trimmed(), $mark];
    }

    /** Whether a star at the beginning opens emphasis that ends within the text. */
    private static function isEmphasised(string $text, int $behind): bool
    {
        return preg_match('/^\s*\*\S[^*]*\S?\*(?!\*)./us', rtrim($text)) === 1 && $behind < 3;
    }

    /**
     * Which choices are marked as keys. A mark that every choice has marks nothing.
     *
     * @param list<Choice> $choices
     *
     * @return list<int>
     */
    public static function marked(array $choices): array
    {
        foreach ($choices as $choice) {
            [$choice->text, $mark] = self::mark($choice->text);
            $choice->mark ??= $mark ?? ($choice->text->isWhollyMarked() ? 'look' : null);
        }
        $keys = [];
        foreach (['sign', 'look'] as $sort) {
            $having = array_keys(array_filter($choices, static fn (Choice $c): bool => $c->mark === $sort));
            $keys = [...$keys, ...count($having) === count($choices) ? [] : $having];
        }
        $stars = array_keys(array_filter($choices, static fn (Choice $c): bool => $c->sign === '*'));
        $keys = array_values(array_unique([...$keys, ...count($stars) === count($choices) ? [] : $stars]));
        sort($keys);

        return $keys;
    }
}
