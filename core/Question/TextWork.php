<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

use Zetema\Core\Question\Texts\QuestionTexts;

/**
 * How much work a text is to whoever shows it. What nobody writes by hand, thousands of signs that open something or a formula in a
 * formula in a formula, keeps a screen busy for minutes; such a text is not taken, and where an old one is shown, it stands as it was
 * typed.
 */
final class TextWork
{
    /** Quotations within one another. */
    public const QUOTES = 20;
    /** Signs that may open or close something (stars, lines below, brackets, ticks, raised and lowered), in one paragraph. */
    public const SIGNS = 1_000;
    /** Characters of a formula. */
    public const FORMULA = 4_000;
    /** Groups within one another in a formula. */
    public const NESTED = 40;

    /** @return string|null what is too much, in words; null: it can be shown */
    public static function problem(string $text): ?string
    {
        if (preg_match('/^(?:[ \t]*>){' . (self::QUOTES + 1) . '}/m', $text) === 1) {
            return sprintf('more than %d “>” one after another at the beginning of a line', self::QUOTES);
        }
        $paragraphs = preg_split('/\n[ \t]*\n/', $text);
        foreach ($paragraphs === false ? [] : $paragraphs as $paragraph) {
            if (preg_match_all('/[*_]+|[\[\]`^~]/', $paragraph) > self::SIGNS) {
                return sprintf('a paragraph with more than %s signs such as * _ [ ` in it', number_format(self::SIGNS));
            }
        }
        preg_match_all('/\$(?=\S)([^$\n]+?)(?<=\S)\$/', $text, $formulas);
        foreach ($formulas[1] as $formula) {
            if (strlen($formula) > self::FORMULA) {
                return sprintf('a formula of more than %s characters', number_format(self::FORMULA));
            }
            if (self::depth($formula) > self::NESTED) {
                return sprintf('a formula with more than %d groups within one another', self::NESTED);
            }
        }

        return null;
    }

    /** @param array<array-key, mixed> $content of a question */
    public static function problemIn(array $content): ?string
    {
        foreach (QuestionTexts::of($content) as $text) {
            $problem = self::problem($text->text);
            if ($problem !== null) {
                return $problem;
            }
        }

        return null;
    }

    private static function depth(string $formula): int
    {
        $deepest = $depth = 0;
        preg_match_all('/\\\\(?:left|right|begin|end)\b|\\\\.|[{}]/', $formula, $signs);
        foreach ($signs[0] as $sign) {
            $depth += match ($sign) {
                '{', '\left', '\begin' => 1,
                '}', '\right', '\end' => -1,
                default => 0,
            };
            $deepest = max($deepest, $depth);
        }

        return $deepest;
    }
}
