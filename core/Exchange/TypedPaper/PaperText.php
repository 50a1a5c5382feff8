<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper;

use Zetema\Core\Exchange\TypedPaper\Lines\HtmlLines;
use Zetema\Core\Exchange\TypedPaper\Lines\Mark;
use Zetema\Core\Exchange\TypedPaper\Lines\Marks;
use Zetema\Core\Exchange\TypedPaper\Lines\PaperLine;
use Zetema\Core\Exchange\Written\Styled;

/** A paper in HTML written as plain text that reads the same, to be put right by hand: marks that were looks become signs. */
final class PaperText
{
    public static function ofHtml(string $html): string
    {
        $text = '';
        $before = null;
        $choiceList = null;
        foreach (HtmlLines::of($html) as $line) {
            $isChoice =
                $line->item !== null &&
                $line->item->sort === 'number' &&
                ($line->item->depth > 1 ||
                    $line->item->list === $choiceList ||
                    ($before !== null && $before->item === null && Marks::number($before) !== null));
            $choiceList = $isChoice ? $line->item->list : $choiceList;
            $isApart = $line->afterBlank || ($line->opensParagraph && Marks::isUnmarked($line)) || $line->rank > 0;
            $text .= ($text === '' ? '' : ($isApart ? "\n\n" : "\n")) . self::line($line, $isChoice);
            $before = $line;
        }

        return $text;
    }

    private static function line(PaperLine $line, bool $isChoice): string
    {
        if ($line->rank > 0) {
            return str_repeat('#', $line->rank) . ' ' . $line->styled->markdown(dropWhole: true);
        }
        if ($isChoice) {
            return chr(64 + min(26, max(1, $line->item->place ?? 1))) . ') ' . self::choice($line->styled);
        }
        $letter = Marks::letter($line);
        $bullet = $letter === null ? Marks::bullet($line) : null;
        if ($letter !== null || $bullet !== null) {
            $mark = $letter ?? $bullet;

            return self::sign($mark, $bullet !== null) . ' ' . self::choice($mark->rest);
        }
        $number = Marks::number($line);
        if ($number !== null) {
            return ($number->style === 'list' ? $number->sign . '. ' : '') . self::cells($line->styled);
        }
        $isHeading = $line->opensParagraph && $line->styled->isWhollyMarked() && Marks::isUnmarked($line);

        return $isHeading
            ? '## ' . $line->styled->markdown(dropWhole: true)
            : ($line->isRow
                ? self::cells($line->styled)
                : $line->styled->markdown());
    }

    /** Tabs stay between the cells of a row. */
    private static function cells(Styled $row): string
    {
        $cells = [];
        $at = 0;
        foreach (explode("\t", $row->text) as $cell) {
            $cells[] = $row->sub($at, strlen($cell))->trimmed()->markdown(dropWhole: true);
            $at += strlen($cell) + 1;
        }

        return implode("\t", $cells);
    }

    private static function sign(Mark $mark, bool $isBullet): string
    {
        return $isBullet
            ? $mark->sign
            : match ($mark->style) {
                '()' => "($mark->sign)",
                '.' => "$mark->sign.",
                default => "$mark->sign)",
            };
    }

    private static function choice(Styled $text): string
    {
        $plain = $text->markdown(dropWhole: true);

        return $text->isWhollyMarked() ? "**$plain**" : $plain;
    }
}
