<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper;

use Zetema\Core\Exchange\Aside;
use Zetema\Core\Exchange\TypedPaper\Keys\KeyList;
use Zetema\Core\Exchange\TypedPaper\Lines\Mark;
use Zetema\Core\Exchange\TypedPaper\Lines\Marks;
use Zetema\Core\Exchange\TypedPaper\Lines\PaperLine;
use Zetema\Core\Exchange\Written\Characters;
use Zetema\Core\Exchange\Written\PointsSaid;
use Zetema\Core\Exchange\Written\Styled;

/** Cuts the lines of a paper into questions, headings, lists of keys, and what stands aside. */
final class Segmenter
{
    /** @var list<Draft|Heading|KeyList> in the order of the paper */
    private array $parts = [];
    /** @var list<Aside> */
    private array $aside = [];
    private ?Draft $open = null;
    private ?int $lastNumber = null;
    private bool $isInInstructions = false;
    private bool $takesA = false;

    private readonly Ahead $ahead;

    /** @param list<PaperLine> $lines without furniture */
    public function __construct(private readonly array $lines)
    {
        $this->ahead = new Ahead($lines);
    }

    /** @return list<Draft|Heading|KeyList> */
    public function parts(): array
    {
        $tail = KeyList::tail($this->lines);
        for ($i = 0, $n = count($this->lines); $i < $n; ++$i) {
            if ($i === $tail) {
                $i = $this->takeList($i, KeyList::of($this->lines, $i, headed: false));
                continue;
            }
            $isItsKey = $this->isMatchingWithoutKey() && KeyList::isOfMatching($this->lines, $i, $this->open->numbered ?? 0);
            if ($isItsKey && Marks::word($this->lines[$i]) === null && $this->open !== null) {
                // Its word stands alone, the key below it.
                $this->open->add(new BodyLine('answer', $this->lines[++$i], $this->lines[$i]->styled));
                $this->open->hasAnswer = true;
                continue;
            }
            $list = $isItsKey ? null : KeyList::at($this->lines, $i, $this->ahead);
            $i = $list === null ? $this->take($i) : $this->takeList($i, $list);
        }
        $this->close();

        return $this->parts;
    }

    /** @return list<Aside> */
    public function aside(): array
    {
        return $this->aside;
    }

    private function takeList(int $i, KeyList $list): int
    {
        $this->close();
        $this->parts[] = $list;

        return $i + $list->lines - 1;
    }

    /** @return int the place of the last line that was taken */
    private function take(int $i): int
    {
        $line = $this->lines[$i];
        if ($this->isInInstructions && !$line->afterBlank) {
            $this->putAside($line);

            return $i;
        }
        $this->isInInstructions = Marks::isInstructions($line);
        if ($this->isInInstructions) {
            $this->close();
            $this->putAside($line);

            return $i;
        }
        $heading = Heading::of($line, $this->lines[$i + 1] ?? null, $this->ahead->somethingOpensAt($i + 1));
        if ($heading !== null) {
            return $this->takeHeading($i, $heading);
        }
        $number = Marks::number($line);
        if ($number !== null && ($this->open === null || !(new Belonging($this->open, $this->lastNumber))->of($line, $number))) {
            $this->begin($i, $line, $number->number(), $number->rest, $number->held);

            return $i;
        }
        if (preg_match('/^q\s*:/ui', $line->text(), $m) === 1) {
            $this->begin($i, $line, null, $line->styled->sub(strlen($m[0]))->trimmed());
            $this->takesA = true;

            return $i;
        }
        $this->open === null ? $this->takeOutside($i, $line) : $this->takeInside($i, $line, $this->open, $number);

        return $i;
    }

    private function takeHeading(int $i, Heading $heading): int
    {
        $last = $i + ($heading->takesTwoLines ? 1 : 0);
        $inner = new PaperLine($heading->line->number, $heading->words);
        $number = Marks::number($inner);
        $opens = $number !== null && PointsSaid::taken($number->rest)[0]->isEmpty();
        if ($opens || $this->ahead->answersFollow($last + 1, withBullets: false)) {
            $this->begin($last, $heading->line, $number?->number(), $number->rest ?? $heading->words);

            return $last;
        }
        $this->close();
        $this->parts[] = $heading;

        return $last;
    }

    private function begin(int $i, PaperLine $line, ?int $number, Styled $stem, ?string $held = null): void
    {
        $this->close();
        $text = $stem->text . "\n" . $this->ahead->stemFrom($i + 1);
        $isMatching = preg_match('/(?:^|[.!?:]\s+|\n)\s*(?:match|pair|connect|assign)\b/ui', $text) === 1;
        $isOrder =
            !$isMatching &&
            (preg_match('/\bin\s+order\b(?!\s+to\b)|\b(?:right|correct|which)\s+order\b|\bwhich\s+sequence\b|\barrange\b/ui', $text) ===
                1 ||
                $this->ahead->isOrdered($i + 1));
        $this->open = new Draft($line, $number, $isMatching, $isOrder, $held);
        $this->open->add(new BodyLine('stem', $line, $stem));
        if ($number !== null) {
            if ($this->lastNumber !== null && $number !== $this->lastNumber + 1) {
                $this->open->why[] = sprintf('number %d follows %d', $number, $this->lastNumber);
            }
            $this->lastNumber = $number;
        }
    }

    private function takeOutside(int $i, PaperLine $line): void
    {
        if ((Marks::isUnmarked($line) && $this->ahead->opensUnnumbered($i)) || $this->ahead->isStemAfterAll($i)) {
            $this->begin($i, $line, null, $line->styled);

            return;
        }
        $this->putAside($line);
    }

    private function takeInside(int $i, PaperLine $line, Draft $open, ?Mark $number): void
    {
        if ($number !== null) {
            $isListChoice = $line->item !== null && $line->item->list === $open->choiceList && !$open->isMatching && !$open->isOrder;
            $this->takeNumber($line, $open, $number, $isListChoice);

            return;
        }
        if ($this->takesA && preg_match('/^a\s*:/ui', $line->text(), $m) === 1) {
            $open->add(new BodyLine('answer', $line, $line->styled->sub(strlen($m[0]))->trimmed()));
            $open->hasAnswer = true;

            return;
        }
        if (($open->hasChoices || $open->hasAnswer) && $this->ahead->isStemAfterAll($i)) {
            $this->begin($i, $line, null, $line->styled);

            return;
        }
        $letter = Marks::letter($line);
        if ($letter !== null && ($open->hasChoices || $open->isMatching || ($letter->sign === 'A' && $this->ahead->lettersFollow($i)))) {
            $open->add(new BodyLine('letter', $line, $letter->rest, $letter));
            $open->hasChoices = true;
            $open->rightsBegan = true;
            $open->hasRows = $open->hasRows || $line->isRow;

            return;
        }
        $word = Marks::word($line);
        if ($word !== null) {
            $open->add(new BodyLine($word->sign, $line, $word->rest, $word));
            $open->hasAnswer =
                $open->hasAnswer || (in_array(explode(' ', $word->sign)[0], ['answer', 'order'], true) && !$word->rest->isEmpty());

            return;
        }
        $bullet = $open->isOver ? null : Marks::bullet($line);
        if ($bullet !== null) {
            $open->add(new BodyLine('bullet', $line, $bullet->rest, $bullet));
            $open->hasChoices = $open->hasChoices || $this->ahead->isBulletList($i);

            return;
        }
        $this->takeMore($i, $line, $open);
    }

    private function takeNumber(PaperLine $line, Draft $open, Mark $number, bool $isListChoice): void
    {
        if ($isListChoice) {
            $open->add(new BodyLine('bullet', $line, $number->rest, new Mark('•', 'list', $number->rest)));
            $open->hasChoices = true;

            return;
        }
        if ($open->isMatching || $open->isOrder) {
            $open->numbered = $number->number();
            $open->hasRows = $open->hasRows || $line->isRow;
            $open->rightsBegan = $open->rightsBegan || ($open->isMatching && Matching::isSideBySide($number->rest));
            $open->add(new BodyLine('number', $line, $number->rest, $number));

            return;
        }
        $open->add(new BodyLine('more', $line, $line->styled));
    }

    private function takeMore(int $i, PaperLine $line, Draft $open): void
    {
        $last = $open->last();
        $goesOn = $line->isInItem || (!$line->afterBlank && !$line->opensParagraph);
        if ($goesOn && $this->aside !== [] && $this->lines[$i - 1]->number === $this->aside[count($this->aside) - 1]->line) {
            $this->putAside($line);

            return;
        }
        if (
            $goesOn &&
            $last !== null &&
            (!in_array(explode(' ', $last->is)[0], ['answer', 'order', 'accept', 'points'], true) || $last->rest->isEmpty())
        ) {
            $open->add(new BodyLine('more', $line, $line->styled, before: $line->opensParagraph ? "\n\n" : "\n"));

            return;
        }
        $lacksBoth = !$open->hasChoices && !$open->hasAnswer;
        if (!$lacksBoth && $this->ahead->opensUnnumbered($i)) {
            $this->begin($i, $line, null, $line->styled);

            return;
        }
        if ($lacksBoth && $open->isAtStem) {
            $open->add(
                new BodyLine(
                    'more',
                    $line,
                    $line->styled,
                    before: count($open->body) === 1 && $open->body[0]->rest->isEmpty() ? '' : "\n\n",
                ),
            );

            return;
        }
        // What bullets below it list is no choice of the question above.
        $open->isOver = true;
        $this->putAside($line);
    }

    private function isMatchingWithoutKey(): bool
    {
        return $this->open !== null && $this->open->isMatching && !$this->open->hasAnswer;
    }

    private function close(): void
    {
        if ($this->open !== null) {
            $this->parts[] = $this->open;
        }
        [$this->open, $this->takesA] = [null, false];
    }

    private function putAside(PaperLine $line): void
    {
        $this->aside[] = new Aside($line->number, Characters::tidy($line->text()));
    }
}
