<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper;

use Zetema\Core\Exchange\TypedPaper\Lines\Mark;
use Zetema\Core\Exchange\TypedPaper\Lines\PaperLine;

/**
 * Whether a line that begins with a number is of the open question, as a part of its stem, a left-hand side, an item; or opens the next.
 */
final readonly class Belonging
{
    public function __construct(private Draft $open, private ?int $lastNumber)
    {
    }

    /** Whether a number goes on within the open question. */
    public function of(PaperLine $line, Mark $number): bool
    {
        $open = $this->open;
        $n = $number->number();
        if ($open->isMatching && !$open->hasAnswer) {
            $isOver = $open->rightsBegan && ($line->afterBlank || ($open->hasRows && !$line->isRow));

            return !$isOver && $n === $open->numbered + 1;
        }
        if ($open->isOrder && !$open->hasAnswer && !$open->hasChoices) {
            return $n === $open->numbered + 1 && !($line->afterBlank && $n === ($open->number ?? 0) + 1 && $open->numbered > 0);
        }
        if ($line->item !== null && $open->isAtStem) {
            $opened = $open->opening->item;
            if (
                $line->item->list === $open->choiceList ||
                ($opened === null ? !$line->opensParagraph || $open->last()?->line->item === null : $line->item->depth > $opened->depth)
            ) {
                $open->choiceList = $line->item->list;

                return true;
            }
        }
        if ($line->item !== null && $line->item->list === $open->choiceList) {
            return true;
        }
        if (!$open->isAtStem || $line->afterBlank) {
            return false;
        }
        if ($open->inner !== null && $open->inner[0] === $number->style && $open->inner[1] === $n) {
            $open->inner[1] = $n + 1;

            return true;
        }
        if ($this->lastNumber !== null && $n === $this->lastNumber + 1) {
            return false;
        }
        if ($open->body[0]->rest->isEmpty() && count($open->body) === 1) {
            return false;
        }
        $open->inner = [$number->style, $n + 1];

        return true;
    }
}
