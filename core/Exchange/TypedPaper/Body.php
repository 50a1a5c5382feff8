<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper;

use Zetema\Core\Exchange\TypedPaper\Lines\Mark;
use Zetema\Core\Exchange\TypedPaper\Lines\Marks;
use Zetema\Core\Exchange\TypedPaper\Lines\PaperLine;
use Zetema\Core\Exchange\Written\PointsSaid;
use Zetema\Core\Exchange\Written\Styled;

/** What a question of a paper has: stem, choices or items, answers, feedback, hints, points; each with its line. */
final class Body
{
    public Styled $stem;
    /** @var list<Choice> choices, or in matching the right-hand sides */
    public array $choices = [];
    /** @var list<Choice> numbered lines: left-hand sides, or items in an order */
    public array $numbered = [];
    /** @var array<int, array{string, int}> keys held before left-hand sides, by their place, with the line */
    public array $held = [];
    /** @var list<array{text: string, line: int}> */
    public array $answers = [];
    /** @var array<int, array{text: string, line: int}> answers to numbered blanks */
    public array $toBlanks = [];
    public bool $isOrder;
    /** @var list<array{to: string, text: string}> feedback to "right", "wrong", both (""), or a choice's letter */
    public array $feedback = [];
    /** @var list<string> */
    public array $hints = [];
    /** @var list<array{text: string, line: int}> */
    public array $points = [];
    public bool $hasPicture = false;

    public function __construct(public readonly Draft $draft)
    {
        $this->stem = new Styled('');
        $this->isOrder = $draft->isOrder;
        $this->collect();
        if (!$draft->isMatching) {
            $this->cutChoices();
        }
        $this->takeAnswersBehind();
        [$this->stem, $said] = PointsSaid::taken($this->stem);
        foreach ($said as $points) {
            $this->points[] = ['text' => $points, 'line' => $draft->opening->number];
        }
        $this->sortFeedback();
    }

    private function collect(): void
    {
        $having = array_count_values(array_map(static fn (BodyLine $b): string => $b->is, $this->draft->body));
        $areBulletsText = isset($having['letter']) || ($having['bullet'] ?? 0) < 2;
        $stem = $target = new Piece($this->draft->opening, new Styled(''), 'stem');
        $words = [];
        foreach ($this->draft->body as $line) {
            $this->hasPicture = $this->hasPicture || $line->line->hasPicture;
            if ($line->is === 'stem') {
                $stem->text = $line->rest;
            } elseif ($line->is === 'more') {
                $target->goOn($line);
            } elseif ($line->is === 'bullet' && $areBulletsText) {
                $stem->goOn(new BodyLine('more', $line->line, $line->line->styled));
                $target = $stem;
            } elseif (in_array($line->is, ['letter', 'bullet', 'number'], true)) {
                $target = $this->takeChoice($line);
            } else {
                $words[] = $target = new Piece(
                    $line->line,
                    $line->rest,
                    $line->is === 'feedback' &&
                    $this->choices !== [] &&
                    !self::hasAnswer($words) &&
                    !$this->draft->isMatching &&
                    !$this->isOrder
                        ? 'below ' . (count($this->choices) - 1)
                        : $line->is,
                );
            }
        }
        $this->stem = $stem->text;
        array_map($this->takeWord(...), $words);
    }

    /** @param list<Piece> $words */
    private static function hasAnswer(array $words): bool
    {
        return array_filter($words, static fn (Piece $p): bool => $p->is === 'answer') !== [];
    }

    private function takeChoice(BodyLine $line): Choice
    {
        $mark = $line->mark ?? throw new \LogicException('a choice has its mark');
        if ($line->is === 'number') {
            $this->numbered[] = $choice = new Choice($mark->sign, $line->line, $line->rest);
            if ($mark->held !== null) {
                $this->held[count($this->numbered) - 1] = [$mark->held, $line->line->number];
            }

            return $choice;
        }
        $letter = $line->is === 'letter' ? $mark->sign : chr(65 + min(25, count($this->choices)));
        $this->choices[] = $choice = new Choice($letter, $line->line, $line->rest, $line->is === 'bullet' ? $mark->sign : '');
        $choice->mark = $line->is === 'letter' && $mark->isKey ? 'sign' : null;

        return $choice;
    }

    private function takeWord(Piece $piece): void
    {
        $place = ['text' => $piece->text->text, 'line' => $piece->line->number];
        $text = $piece->text->markdown();
        $this->isOrder = $this->isOrder || $piece->is === 'order';
        match (true) {
            in_array($piece->is, ['answer', 'accept', 'order'], true) => ($this->answers[] = $place),
            str_starts_with($piece->is, 'answer ') => ($this->toBlanks[(int) substr($piece->is, 7)] = $place),
            $piece->is === 'points' => ($this->points[] = $place),
            $piece->is === 'hint' => ($this->hints[] = $text),
            $piece->is === 'feedback' => ($this->feedback[] = ['to' => '', 'text' => $text]),
            str_starts_with($piece->is, 'feedback ') => ($this->feedback[] = ['to' => substr($piece->is, 9), 'text' => $text]),
            default => ($this->feedback[] = ['to' => $piece->is, 'text' => $text]),
        };
    }

    /** Choices that stand behind each other on a line; those of columns are put in the order of their letters. */
    private function cutChoices(): void
    {
        $own = array_map(static fn (Choice $c): string => $c->letter, $this->choices);
        if ($own === []) {
            $cuts = Choices::cuts($this->stem);
            if ($cuts !== []) {
                $stem = $this->stem;
                $this->stem = $stem->sub(0, $cuts[0][0])->trimmed();
                array_push($this->choices, ...self::pieces($stem, $cuts, $this->draft->opening));
            }

            return;
        }
        $all = [];
        $wasCut = false;
        foreach ($this->choices as $i => $choice) {
            $style = Marks::letter($choice->line)->style ?? null;
            $cuts =
                $style === null || $style === 'list' ? [] : Choices::cuts($choice->text, new Mark($choice->letter, $style, $choice->text));
            $later = array_slice($own, $i + 1);
            if ($cuts === [] || array_intersect(array_column($cuts, 2), $later) !== []) {
                $all[] = $choice;
                continue;
            }
            $wasCut = true;
            $text = $choice->text;
            $choice->text = $text->sub(0, $cuts[0][0])->trimmed();
            array_push($all, $choice, ...self::pieces($text, $cuts, $choice->line));
        }
        if ($wasCut) {
            usort($all, static fn (Choice $a, Choice $b): int => $a->letter <=> $b->letter);
        }
        $this->choices = $all;
    }

    /**
     * @param list<array{int, int, string, bool}> $cuts
     *
     * @return list<Choice>
     */
    private static function pieces(Styled $text, array $cuts, PaperLine $line): array
    {
        $pieces = [];
        foreach ($cuts as $i => [, $from, $letter, $isKey]) {
            $to = $cuts[$i + 1][0] ?? strlen($text->text);
            $pieces[] = $piece = new Choice($letter, $line, $text->sub($from, $to - $from)->trimmed());
            $piece->mark = $isKey ? 'sign' : null;
        }

        return $pieces;
    }

    private function takeAnswersBehind(): void
    {
        $behind = Marks::answerBehind($this->stem);
        if ($behind !== null) {
            $this->stem = $behind->rest;
            array_unshift($this->answers, ['text' => $behind->sign, 'line' => $this->draft->opening->number]);
        }
        foreach ([...$this->choices, ...$this->numbered] as $choice) {
            $behind = Marks::answerBehind($choice->text);
            if ($behind !== null) {
                $choice->text = $behind->rest;
                $this->answers[] = ['text' => $behind->sign, 'line' => $choice->line->number];
            }
        }
        foreach ($this->answers as $i => $answer) {
            $this->answers[$i]['text'] = trim(preg_replace('/\.$/', '', trim($answer['text'])) ?? '');
        }
        $this->answers = array_values(array_filter($this->answers, static fn (array $a): bool => $a['text'] !== ''));
    }

    /** Feedback below a choice is that choice's, unless it stands below the last one alone: then it is the question's. */
    private function sortFeedback(): void
    {
        $below = array_filter($this->feedback, static fn (array $f): bool => str_starts_with($f['to'], 'below '));
        $last = 'below ' . (count($this->choices) - 1);
        $others = array_filter(
            $this->feedback,
            static fn (array $f): bool => ($f['to'] !== $last && str_starts_with($f['to'], 'below ')) ||
                preg_match('/^[A-Z]$/', $f['to']) === 1,
        );
        foreach ($below as $i => $feedback) {
            $at = (int) substr($feedback['to'], 6);
            $this->feedback[$i]['to'] = $feedback['to'] === $last && $others === [] ? '' : $this->choices[$at]->letter ?? '';
        }
    }
}
