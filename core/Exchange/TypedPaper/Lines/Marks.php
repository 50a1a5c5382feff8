<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper\Lines;

use Zetema\Core\Exchange\Written\PointsSaid;
use Zetema\Core\Exchange\Written\Styled;

/** How lines of papers begin: numbers, letters, bullets, and the words of answers and feedback. */
final class Marks
{
    public const ANSWER = '(?:the\s+(?:correct\s+)?answer\s+is\b\s*:?|(?:correct\s+answers?|right\s+answer|answers?|ans|key|correct|solution)\s*:|ans\.)';
    public const ORDER = '(?:(?:correct\s+)?order|sequence)\s*:';
    private const NUMBER = '/^(?:_+(?:\s*(?<held>[^_\s][^_]{0,19}?)\s*_+)?\s*)?(?:question\s*(?<a>\d{1,3})\s*[.:)]?|q\s*\.?\s*(?<b>\d{1,3})\s*[.:)]?|\(\s*(?<c>\d{1,3})\s*\)|(?<d>\d{1,3})(?<dot>\.|\)))(?=[\s([{]|\p{L}|$)/ui';
    private const LETTER = '/^(?<key>(?:[*✓✔]\s*)?)(?:\(\s*(?<a>[A-Za-z])\s*\)|(?<b>[A-Za-z])\)|(?<c>[A-Za-z])\.(?=\s|[*✓✔]|$))/u';
    private const BULLET = '/^(?<sign>[-–—•·◦▪‣*+])(?=[ \t]+\S)/u';
    private const FEEDBACK = '/^(?:feedback|because|explanation|rationale|reason)(?:\s+(?:for\s+)?(?<letter>[A-Za-z]))?\s*:/ui';
    private const WHEN = '/^if\s+(?<when>right|correct|wrong|incorrect)\s*:/ui';

    public static function number(PaperLine $line): ?Mark
    {
        if ($line->item !== null && $line->item->sort === 'number' && !self::beginsWithNumber($line)) {
            return new Mark((string) $line->item->place, 'list', $line->styled);
        }
        $styled = $line->styled;
        $points = new Styled('');
        if (
            preg_match('/^[(\[]\s*' . PointsSaid::NUMBER . '\s*' . PointsSaid::WORD . '\s*[)\]]\s*(?=[0-9_(q])/ui', $styled->text, $m) ===
            1
        ) {
            // Points before the number are points of the stem.
            [$points, $styled] = [$styled->sub(0, strlen($m[0])), $styled->sub(strlen($m[0]))];
        }
        if (preg_match('/^[0-9_(q]/i', $styled->text) !== 1 || preg_match(self::NUMBER, $styled->text, $m) !== 1) {
            return null;
        }
        $number = ($m['a'] ?? '') . ($m['b'] ?? '') . ($m['c'] ?? '') . ($m['d'] ?? '');
        $style = match (true) {
            ($m['d'] ?? '') !== '' => $m['dot'] ?? '.',
            ($m['c'] ?? '') !== '' => '()',
            default => 'Q',
        };

        return (int) $number === 0
            ? null
            : new Mark(
                (string) (int) $number,
                $style,
                $points->followedBy($styled->sub(strlen($m[0])))->trimmed(),
                held: ($m['held'] ?? '') === '' ? null : $m['held'],
            );
    }

    private static function beginsWithNumber(PaperLine $line): bool
    {
        return preg_match(self::NUMBER, $line->text()) === 1;
    }

    public static function letter(PaperLine $line): ?Mark
    {
        $text = $line->text();
        if ($line->item === null && preg_match('/^(?:[*✓✔(]|[A-Za-z][).])/u', $text) !== 1) {
            return null;
        }
        $isKey = preg_match('/^\*\*\s*\(?\s*[A-Za-z][).].*[^*]\*\*$/us', $text) === 1 && substr_count($text, '**') === 2;
        $styled = $isKey ? $line->styled->sub(2, strlen($text) - 4)->trimmed() : $line->styled;
        if (preg_match(self::LETTER, $styled->text, $m) === 1) {
            $style = match (true) {
                ($m['a'] ?? '') !== '' => '()',
                ($m['b'] ?? '') !== '' => ')',
                default => '.',
            };

            return new Mark(
                strtoupper(($m['a'] ?? '') . ($m['b'] ?? '') . ($m['c'] ?? '')),
                $style,
                $styled->sub(strlen($m[0]))->trimmed(),
                $isKey || $m['key'] !== '',
            );
        }

        return $line->item?->sort === 'letter' && $line->item->place <= 26
            ? new Mark(chr(64 + max(1, $line->item->place)), 'list', $line->styled)
            : null;
    }

    public static function bullet(PaperLine $line): ?Mark
    {
        if (preg_match(self::BULLET, $line->text(), $m) === 1 && preg_match('/^[-–—]\s*\d+\s*[-–—]$/u', $line->text()) !== 1) {
            return new Mark($m['sign'], 'bullet', $line->styled->sub(strlen($m['sign']))->trimmed());
        }

        return $line->item?->sort === 'bullet' ? new Mark('•', 'list', $line->styled) : null;
    }

    /**
     * A word with a colon and what stands behind it; the sign says which: "answer", "order", "accept", "answer 2", "feedback", "feedback
     * B", "right", "wrong", "hint", "points".
     */
    public static function word(PaperLine $line): ?Mark
    {
        $text = $line->text();
        $styled = $line->styled;
        if (preg_match('/^.{0,40}:|^[(\[]?\s*(?:the\s|ans)/uis', $text) !== 1) {
            return null;
        }
        if (preg_match('/^([(\[])\s*(.+?)\s*[)\]]$/us', $text, $m) === 1) {
            $inner = $styled->sub(1, strlen($text) - 2)->trimmed();
            if (preg_match('/^' . self::ANSWER . '/ui', $inner->text) === 1) {
                [$text, $styled] = [$inner->text, $inner];
            }
        }
        $behind = static fn (array $m, string $sign): Mark => new Mark(
            $sign,
            'word',
            $styled->sub(strlen(is_string($m[0]) ? $m[0] : ''))->trimmed(),
        );

        return match (true) {
            preg_match('/^answer\s+(\d{1,2})\s*:/ui', $text, $m) === 1 => $behind($m, 'answer ' . $m[1]),
            preg_match('/^also\s+accept(?:ed)?\s*:/ui', $text, $m) === 1 => $behind($m, 'accept'),
            preg_match('/^' . self::ORDER . '/ui', $text, $m) === 1 => $behind($m, 'order'),
            preg_match('/^' . self::ANSWER . '/ui', $text, $m) === 1 => $behind($m, 'answer'),
            preg_match(self::FEEDBACK, $text, $m) === 1 => $behind($m, rtrim('feedback ' . strtoupper($m['letter'] ?? ''))),
            preg_match(self::WHEN, $text, $m) === 1 => $behind(
                $m,
                in_array(strtolower($m['when']), ['right', 'correct'], true) ? 'right' : 'wrong',
            ),
            preg_match('/^hint\s*:/ui', $text, $m) === 1 => $behind($m, 'hint'),
            preg_match('/^points\s*:/ui', $text, $m) === 1 => $behind($m, 'points'),
            default => null,
        };
    }

    /** Words alone that end what stands above them and begin something that is no question. */
    public static function isInstructions(PaperLine $line): bool
    {
        return preg_match('/^(?:instructions|directions|rules|please\s+note|notes)\s*:?$/ui', $line->text()) === 1;
    }

    public static function isUnmarked(PaperLine $line): bool
    {
        return $line->look()->isUnmarked();
    }

    /** An answer in brackets at the end of a text, or behind at least two spaces or a tab: the text without it, and the answer. */
    public static function answerBehind(Styled $text): ?Mark
    {
        foreach (
            [
                '/\s*[(\[]\s*' . self::ANSWER . '\s*([^()\[\]]*(?:\([^()]*\)[^()\[\]]*)*)[)\]]\s*$/ui',
                '/(?:[ ]{2,}|[ ]*\t[ \t]*)' . self::ANSWER . '[ \t]*([^\n]*)$/ui',
            ] as $pattern
        ) {
            if (preg_match($pattern, $text->text, $m, PREG_OFFSET_CAPTURE) === 1) {
                return new Mark(trim($m[1][0]), 'behind', $text->sub(0, $m[0][1])->trimmed());
            }
        }

        return null;
    }
}
