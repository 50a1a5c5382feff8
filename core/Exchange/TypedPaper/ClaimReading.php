<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper;

use Zetema\Core\Exchange\Written\Styled;
use Zetema\Core\Exchange\Written\TrueOrFalse;

/** A question that asks whether something holds, and what is right. */
final readonly class ClaimReading
{
    private const BEFORE = '/^\s*(?:true\s+or\s+false\s*[:?]|t\s*\/\s*f\s*:)\s*/ui';
    private const BEHIND = '/\s*(?:[(\[]\s*(true\s*\/\s*false|t\s*\/\s*f)\s*[)\]]|(?<![\p{L}\/])(true\s*\/\s*false|t(?: {2,}|\t)f))\s*$/ui';

    /** @param array{string, int}|null $problem */
    private function __construct(public Styled $stem, public bool $holds, public string $why, public ?array $problem = null)
    {
    }

    /** Null where it is none. */
    public static function of(Body $body, Draft $draft): ?self
    {
        $stem = $body->stem;
        $isSaid = false;
        $marked = null;
        if (preg_match(self::BEFORE, $stem->text, $m) === 1) {
            $stem = $stem->sub(strlen($m[0]));
            $isSaid = true;
        }
        $plain = str_replace(['*', '✓', '✔'], [' ', ' ', ' '], $stem->text);
        if (
            $body->choices === [] &&
            preg_match(self::BEHIND, strlen($plain) === strlen($stem->text) ? $plain : $stem->text, $m, PREG_OFFSET_CAPTURE) === 1
        ) {
            $marked = self::marked($stem->sub($m[0][1]));
            $stem = $stem->sub(0, $m[0][1]);
            $isSaid = true;
        } elseif (
            $body->choices === [] &&
            preg_match('/\s*[(\[]\s*(true|false|t|f)\s*[)\]]\s*$/ui', $stem->text, $m, PREG_OFFSET_CAPTURE) === 1
        ) {
            $marked = TrueOrFalse::of($m[1][0]);
            $stem = $stem->sub(0, $m[0][1]);
            $isSaid = true;
        }
        if (
            $body->choices === [] &&
            preg_match(
                '/\n[ \t]*(?:(?:true|t)[ \t]*\n[ \t]*(?:false|f)|(?:false|f)[ \t]*\n[ \t]*(?:true|t))[ \t]*$/ui',
                $stem->text,
                $m,
                PREG_OFFSET_CAPTURE,
            ) === 1
        ) {
            $stem = $stem->sub(0, $m[0][1]);
            $isSaid = true;
        }
        $choices = array_map(static fn (Choice $c): ?bool => TrueOrFalse::of(Choices::mark($c->text)[0]->text), $body->choices);
        if ($choices !== [] && (count($choices) !== 2 || in_array(null, $choices, true) || $choices[0] === $choices[1])) {
            return null;
        }
        $said = self::said($body, $draft, $choices, $marked);
        if ($choices === [] && !$isSaid) {
            $isBlank = preg_match('/_{3,}|\.{5,}|…{2,}/u', $stem->text) === 1;
            if ($isBlank || $said === [] || in_array(null, array_column($said, 0), true)) {
                return null;
            }
        }
        if ($said === []) {
            return new self($stem->trimmed(), true, '', ['key missing: nothing says whether it holds', $draft->opening->number]);
        }
        foreach ($said as [$holds, $line]) {
            if ($holds === null || $holds !== $said[0][0]) {
                return new self($stem->trimmed(), true, '', [
                    $holds === null ? 'the answer is neither true nor false' : 'another key is given above',
                    $line,
                ]);
            }
        }

        return new self($stem->trimmed(), $said[0][0], sprintf('%s: %s', $said[0][0] ? 'true' : 'false', $said[0][2]));
    }

    /** Whether a choice's letter is that of the key. */
    public static function isKey(Body $body, string $letter, bool $holds): bool
    {
        foreach ($body->choices as $choice) {
            if ($choice->letter === $letter) {
                return TrueOrFalse::of($choice->text->text) === $holds;
            }
        }

        return false;
    }

    /**
     * @param list<bool|null> $choices
     *
     * @return list<array{bool|null, int, string}> what each source says, with its line
     */
    private static function said(Body $body, Draft $draft, array $choices, ?bool $marked): array
    {
        $line = $draft->opening->number;
        $said = $marked === null ? [] : [[$marked, $line, 'marked behind the stem']];
        $letters = array_map(static fn (Choice $c): string => $c->letter, $body->choices);
        $keys = Choices::marked($body->choices);
        if ($keys !== []) {
            $said[] = [count($keys) === 1 ? $choices[$keys[0]] : null, $body->choices[$keys[0]]->line->number, 'marked'];
        }
        $sources = array_map(static fn (array $a): array => [$a['text'], $a['line']], $body->answers);
        foreach ([$draft->held === null ? null : [$draft->held, $line], $draft->listed] as $other) {
            $sources = $other === null ? $sources : [...$sources, $other];
        }
        foreach ($sources as [$text, $at]) {
            $text = trim($text, " \t.()[]");
            $place = array_search(strtoupper($text), $letters, true);
            $inBoth =
                preg_match('/^\(?([A-Za-z])[).:]?\s+(true|false)$/i', $text, $m) === 1
                    ? array_search(strtoupper($m[1]), $letters, true)
                    : false;
            $value = TrueOrFalse::of($text) ?? ($place !== false ? $choices[$place] : null);
            if ($inBoth !== false && TrueOrFalse::of($m[2]) === $choices[$inBoth]) {
                $value = $choices[$inBoth];
            }
            $said[] = [$value, $at, 'the answer at line ' . $at];
        }
        usort($said, static fn (array $a, array $b): int => $a[1] <=> $b[1]);

        return $said;
    }

    /** Which of "true / false" is marked. */
    private static function marked(Styled $words): ?bool
    {
        if (
            preg_match('/(true|t)([^\p{L}]*\/[^\p{L}]*|\s+)(false|f)/ui', str_replace(['*', '✓', '✔'], [' ', ' ', ' '], $words->text)) !==
            1
        ) {
            return null;
        }
        $slash =
            preg_match('/\/|(?<=[tT])\s{2,}(?=[fF])|(?<=[tT])\t(?=[fF])/u', $words->text, $m, PREG_OFFSET_CAPTURE) === 1 ? $m[0][1] : 0;
        $isMarked = static fn (Styled $part): bool => preg_match('/[*✓✔]/u', $part->text) === 1 ||
            array_filter($part->spans, static fn (array $s): bool => in_array($s[2], ['b', 'u'], true)) !== [];
        [$first, $second] = [$isMarked($words->sub(0, $slash)), $isMarked($words->sub($slash))];

        return $first === $second ? null : $first;
    }
}
