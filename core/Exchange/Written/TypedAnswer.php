<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Written;

use Zetema\Core\Question\Problem;

/** A question whose answer is typed: blanks in its stem, a number, or words; whichever its answers say. */
final class TypedAnswer
{
    public ?QuestionLines $lines = null;
    /** @var list<Problem> */
    public array $problems = [];
    public string $why = '';

    private function __construct()
    {
    }

    /**
     * @param string $stem with "___" for each blank
     * @param list<array{text: string, line: int}> $answers
     * @param array<int, array{text: string, line: int}> $toBlanks answers to numbered blanks
     * @param string|null $kind "gaps", "number" or "text", where it is said
     */
    public static function of(string $stem, array $answers, array $toBlanks, int $line, ?string $kind = null): self
    {
        $typed = new self();
        $blanks = substr_count($stem, '___');
        if ($answers === [] && $toBlanks === []) {
            $typed->problems[] = new Problem($line, 1, 'key missing: nothing says what is right');
        } elseif ($kind === 'gaps' && $blanks === 0) {
            $typed->problems[] = new Problem($line, 1, 'the stem has no blank; “___” would be one');
        } elseif ($blanks > 0 && !in_array($kind, ['number', 'text'], true)) {
            $typed->gaps($stem, $blanks, $answers, $toBlanks, $line);
        } elseif ($answers === []) {
            $typed->problems[] = new Problem(array_values($toBlanks)[0]['line'], 1, 'an answer to a blank, but the stem has none');
        } else {
            $typed->words($stem, $answers, $line, $kind);
        }

        return $typed;
    }

    /**
     * @param list<array{text: string, line: int}> $answers
     * @param array<int, array{text: string, line: int}> $toBlanks
     */
    private function gaps(string $stem, int $blanks, array $answers, array $toBlanks, int $line): void
    {
        $at = $answers[0]['line'] ?? (array_values($toBlanks)[0]['line'] ?? $line);
        if ($toBlanks !== []) {
            $parts = array_map(static fn (array $a): string => $a['text'], $toBlanks);
            ksort($parts);
            $parts = array_keys($parts) === range(1, count($parts)) ? array_values($parts) : [];
        } else {
            $parts =
                $blanks === 1
                    ? [implode(';', array_column($answers, 'text'))]
                    : Alternatives::ofBlanks(implode(';', array_column($answers, 'text')), $blanks);
        }
        if (count($parts) !== $blanks) {
            $this->problems[] = new Problem(
                $at,
                1,
                sprintf('the stem has %d %s, the answer gives %d', $blanks, $blanks === 1 ? 'blank' : 'blanks', count($parts)),
            );

            return;
        }
        $this->lines = new QuestionLines('gaps', $stem, $line);
        foreach ($parts as $i => $part) {
            $wordings = Alternatives::of($part, $blanks === 1);
            foreach ($wordings as $wording) {
                $this->lines->add('gap ' . ($i + 1), Characters::straight($this->clean($wording)));
            }
            $this->why .=
                count($wordings) > 1 ? sprintf('%s%d wordings of blank %d', $this->why === '' ? '' : ', ', count($wordings), $i + 1) : '';
        }
    }

    /** @param list<array{text: string, line: int}> $answers */
    private function words(string $stem, array $answers, int $line, ?string $kind): void
    {
        $wordings = [];
        foreach ($answers as $answer) {
            if ($kind === null && preg_match('/^\(?[A-Za-z]\)?\.?$/', trim($answer['text'])) === 1) {
                $this->problems[] = new Problem(
                    $answer['line'],
                    1,
                    sprintf('“%s” is the letter of a choice, but there are no choices', trim($answer['text'])),
                );

                return;
            }
            $number = $kind === 'text' ? null : NumberAnswer::read($answer['text']);
            array_push($wordings, ...$number !== null ? [$answer['text']] : Alternatives::of($answer['text'], true));
        }
        $numbers = array_values(
            array_filter(array_map(NumberAnswer::read(...), $wordings), static fn (?NumberAnswer $n): bool => $n !== null),
        );
        if ($kind === 'number' && count($numbers) !== count($wordings)) {
            $this->problems[] = new Problem($answers[0]['line'], 1, sprintf('“%s” is no number', mb_substr($answers[0]['text'], 0, 60)));

            return;
        }
        if ($kind !== 'text' && count($numbers) === count($wordings)) {
            $this->numbers($stem, $numbers, $line);

            return;
        }
        $this->lines = new QuestionLines('text', $stem, $line);
        foreach ($wordings as $wording) {
            $this->lines->add('answer', Characters::straight($this->clean($wording)));
        }
        $this->why = count($wordings) > 1 ? count($wordings) . ' wordings' : '';
    }

    /** @param array<NumberAnswer> $numbers */
    private function numbers(string $stem, array $numbers, int $line): void
    {
        $this->lines = new QuestionLines('number', $stem, $line);
        $units = [];
        foreach ($numbers as $number) {
            $this->lines->add('answer', $number->span);
            $units[] = $number->unit;
            $this->why .= ($this->why === '' || $number->why === '' ? '' : ', ') . $number->why;
        }
        $units = array_values(array_unique(array_filter($units, is_string(...))));
        if ($units !== []) {
            $this->lines->add('unit', implode(', ', $units));
        }
    }

    private function clean(string $wording): string
    {
        return Characters::tidy(str_replace("\n", ' ', $wording));
    }
}
