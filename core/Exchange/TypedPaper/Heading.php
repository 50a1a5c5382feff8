<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper;

use Zetema\Core\Exchange\TypedPaper\Lines\Marks;
use Zetema\Core\Exchange\TypedPaper\Lines\PaperLine;
use Zetema\Core\Exchange\Written\Characters;
use Zetema\Core\Exchange\Written\PointsSaid;
use Zetema\Core\Exchange\Written\Styled;

/** A line that names what the questions below it are about. */
final class Heading
{
    private const KINDS = '(?:multiple[- ]choice|true\s+or\s+false|true\s*\/\s*false|short\s+answers?|matching|fill[- ]in[- ]the[- ]blanks?|ordering|questions?)';

    private const POINTS = '/\s*[(\[]\s*(' . PointsSaid::NUMBER . ')\s*' . PointsSaid::WORD . '(\s+each)?\s*[)\]]\s*$/ui';

    /**
     * @param int $rank 1 is the highest
     * @param list<string> $path names, more than one where the line gives the whole path
     * @param bool $isOfKinds whether it says nothing but kinds or counts
     * @param string|null $each points that each question below it is worth
     * @param bool $takesTwoLines whether the line below only underlines it
     */
    private function __construct(
        public readonly PaperLine $line,
        public readonly int $rank,
        public readonly array $path,
        public readonly bool $isWholePath,
        public readonly bool $isOfKinds,
        public readonly ?string $each,
        public readonly bool $takesTwoLines,
        public readonly Styled $words,
    ) {
    }

    /**
     * The heading that a line is by its own look; capitals and bold paragraphs count only where what follows fits, which the caller knows.
     *
     * @param bool $opensSomething whether a question or another heading follows next
     */
    public static function of(PaperLine $line, ?PaperLine $next, bool $opensSomething): ?self
    {
        $text = $line->text();
        if ($line->rank > 0) {
            return self::made($line, $line->rank, $line->styled);
        }
        if (preg_match('/^(#{1,6})\s+(\S.*)$/u', $text, $m) === 1) {
            return self::made($line, strlen($m[1]), $line->styled->sub(strlen($m[1]))->trimmed());
        }
        if ($next !== null && !$next->afterBlank && preg_match('/^(={3,}|-{3,})$/', $next->text(), $m) === 1) {
            return self::made($line, $m[1][0] === '=' ? 1 : 2, $line->styled, takesTwoLines: true);
        }
        if (preg_match('/^(?:objective|topic)\s*:\s*\S/ui', $text) === 1) {
            return self::made($line, 2, $line->styled);
        }
        if (self::label($text) !== null) {
            return self::made($line, 2, $line->styled);
        }
        if ((!$line->afterBlank && !$line->opensParagraph) || !$opensSomething || !Marks::isUnmarked($line)) {
            return null;
        }
        $name = preg_replace(self::POINTS, '', $text) ?? $text;
        if (preg_match_all('/\p{L}/u', $name) >= 2 && mb_strtoupper($name) === $name && preg_match('/\p{Lu}/u', $name) === 1) {
            return self::made($line, 1, $line->styled);
        }

        return $line->opensParagraph && $line->styled->isWhollyMarked() && $line->item === null && self::isBold($line->styled)
            ? self::made($line, 2, $line->styled)
            : null;
    }

    private static function isBold(Styled $styled): bool
    {
        return array_filter($styled->spans, static fn (array $s): bool => $s[2] === 'b') !== [];
    }

    /** @return array{string}|null what stands behind "Section 2:" and its like; an empty one where nothing does */
    private static function label(string $text): ?array
    {
        return preg_match(
            '/^(?:section|part|chapter|unit|module)\s+(?:\d{1,3}|[A-Z]|[IVX]{1,5})\s*(?:$|[:.–—-]\s*(.*)$|(?=[(\[])(.*)$)/ui',
            $text,
            $m,
        ) === 1
            ? [trim(($m[1] ?? '') . ($m[2] ?? ''))]
            : null;
    }

    private static function made(PaperLine $line, int $rank, Styled $words, bool $takesTwoLines = false): self
    {
        $text = $words->text;
        $each = null;
        if (preg_match(self::POINTS, $text, $m) === 1) {
            $each = ($m[2] ?? '') === '' ? null : PointsSaid::decimal($m[1]);
            $text = substr($text, 0, -strlen($m[0]));
        }
        $isWholePath = false;
        if (preg_match('/^(?:objective|topic)\s*:\s*(.+)$/ui', $text, $m) === 1) {
            $text = $m[1];
            $isWholePath = str_contains($text, '>');
        } elseif (($label = self::label($text)) !== null && $label[0] !== '') {
            $text = $label[0];
        } elseif (preg_match('/^(?:\d{1,3}(?:\.\d{1,3})*[.)]?|[A-Z][.)]|[IVX]{1,5}[.)])\s+(\S.*)$/u', $text, $m) === 1) {
            $text = $m[1];
        }
        $name = Characters::tidy(rtrim($text));
        $path = $isWholePath
            ? array_values(array_filter(array_map(trim(...), explode('>', $name)), static fn (string $n): bool => $n !== ''))
            : [$name];
        $isOfKinds =
            preg_match(
                '/^(?:\d+\s+)?' .
                    self::KINDS .
                    '(?:\s*(?:,|and|&)\s*' .
                    self::KINDS .
                    ')*(?:\s+questions?)?(?:\s+\d+\s*(?:[-–—]|to)\s*\d+)?\s*:?$/ui',
                $name,
            ) === 1;

        return new self($line, $rank, $path, $isWholePath, $isOfKinds, $each, $takesTwoLines, $words);
    }
}
