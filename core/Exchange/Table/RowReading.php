<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Table;

use Zetema\Core\Exchange\Written\Characters;
use Zetema\Core\Exchange\Written\PointsSaid;
use Zetema\Core\Exchange\Written\QuestionLines;
use Zetema\Core\Question\Difficulty;
use Zetema\Core\Question\Problem;
use Zetema\Core\Question\Question;

/** Makes a question of a row, or says what keeps it from being one. */
final class RowReading
{
    private const KINDS = [
        'one' => ['one', 'single', 'single choice'],
        'choice' => ['multiple choice', 'choice', 'mc'],
        'several' => ['several', 'multiple response', 'multiple answer', 'mr'],
        'claim' => ['claim', 'true or false', 'true/false', 'tf', 't/f'],
        'text' => ['text', 'short text', 'short answer'],
        'number' => ['number', 'numeric'],
        'gaps' => ['gaps', 'gap fill', 'fill in the blanks', 'cloze'],
        'pairs' => ['pairs', 'matching', 'match'],
        'order' => ['order', 'ordering', 'sequence'],
    ];

    private Row $row;
    /** @var list<Problem> */
    private array $problems = [];
    private string $why = '';

    /** @param array<string, string> $every what fills empty cells */
    public function __construct(private readonly ?Columns $columns, private readonly array $every)
    {
    }

    /**
     * @param array<string, true> $taken names of earlier rows
     *
     * @return Question|list<Problem>
     */
    public function of(Row $row, array $taken): Question|array
    {
        $this->row = $row;
        $this->problems = [];
        $this->why = '';
        $columns = $this->columns ?? throw new \LogicException('the columns are known');
        foreach ($row->cells as $column => $cell) {
            if ($column > $columns->last && $column < Rows::MOST_COLUMNS && $cell !== '') {
                $this->problemIn($column, 'stands beyond the last heading; is a separator within a cell without quotes?');
                break;
            }
        }
        foreach ($row->problems as $column => $why) {
            $this->problemIn($column, $why);
        }
        $stem = $this->said(Meaning::Stem);
        if ($stem === '') {
            $this->problem(Meaning::Stem, 'the stem is missing');
        }
        $kind = $this->kind();
        $lines = $this->problems === [] ? $this->lines($kind, $stem) : null;
        if ($lines === null) {
            return $this->problems;
        }
        $this->addRest($lines);
        $objective = $this->objective();
        $made = $this->problems === [] ? $lines->make($objective, $taken) : $this->problems;

        return $made instanceof Question
            ? $made
            : array_map(fn (Problem $p): Problem => new Problem($row->number, $p->column, $p->message, $p->heading), $made);
    }

    public function why(): string
    {
        return $this->why;
    }

    /** The row as it stands, a line a cell. */
    public function kept(Row $row): string
    {
        $lines = [];
        foreach ($row->cells as $column => $cell) {
            if ($cell !== '') {
                $name = $this->columns?->name($column);
                $lines[] = $name === null ? $cell : $name . ': ' . $cell;
            }
        }

        return implode("\n", $lines);
    }

    /** A kind of the table's words; null where none is said; then the row tells. */
    /** Whether it names one kind; "choice" is one or several, by its key. */
    public function saysKind(): bool
    {
        return !in_array($this->kind(), [null, 'choice'], true);
    }

    private function kind(): ?string
    {
        $said = mb_strtolower($this->said(Meaning::Kind));
        foreach (self::KINDS as $kind => $words) {
            if (in_array($said, $words, true)) {
                return $kind;
            }
        }
        if ($said !== '') {
            $this->problem(
                Meaning::Kind,
                sprintf('“%s” is no kind; one, several, true or false, text, number, gaps, pairs or order would be', $said),
            );
        }

        return null;
    }

    private function lines(?string $kind, string $stem): ?QuestionLines
    {
        $cells = new RowCells(
            $stem,
            $this->said(Meaning::Key),
            $this->choices(),
            $this->distractors(),
            $this->said(Meaning::Tolerance),
            $this->said(Meaning::Unit),
            $this->row->number,
        );
        $reading = new RowQuestion($cells, $kind);
        $this->why = $reading->why;
        foreach ($reading->problems as [$meaning, $message]) {
            $this->problem($meaning, $message);
        }
        if ($reading->lines !== null) {
            (new RowFeedback(
                $reading,
                $this->said(Meaning::Feedback),
                $this->said(Meaning::Right),
                $this->said(Meaning::Wrong),
                $this->says(),
            ))->add();
        }

        return $reading->lines;
    }

    private function addRest(QuestionLines $lines): void
    {
        $points = $this->said(Meaning::Points);
        if ($points !== '') {
            $decimal = PointsSaid::decimal(
                preg_replace('/^[(\[]?\s*(' . PointsSaid::NUMBER . ')\s*(?:' . PointsSaid::WORD . ')?\s*[)\]]?$/ui', '$1', $points) ?? '',
            );
            $decimal === null
                ? $this->problem(Meaning::Points, sprintf('“%s” are no points; a number from 0.01 to 1,000 would be right', $points))
                : $lines->add('points', $decimal);
        }
        $difficulty = mb_strtolower($this->said(Meaning::Difficulty));
        if ($difficulty !== '' && Difficulty::tryFrom($difficulty) === null) {
            $this->problem(Meaning::Difficulty, sprintf('“%s” is no difficulty; easy, medium or hard would be right', $difficulty));
        } elseif ($difficulty !== '') {
            $lines->add('difficulty', $difficulty);
        }
        foreach (
            [
                'tags' => str_replace([';', "\n"], ',', $this->said(Meaning::Tags)),
                'name' => str_replace("\n", ' ', $this->said(Meaning::Name)),
                'hint' => $this->said(Meaning::Hint),
            ] as $word => $text
        ) {
            if ($text !== '') {
                $lines->add($word, $text);
            }
        }
    }

    /** @return list<string> */
    private function objective(): array
    {
        $path = explode('>', str_replace("\n", ' ', $this->said(Meaning::Objective) . '>' . $this->said(Meaning::Subtopic)));

        return array_values(array_filter(array_map(Characters::tidy(...), $path), static fn (string $name): bool => $name !== ''));
    }

    /** @return array<int, string> by their places from 1, without the empty ones */
    private function choices(): array
    {
        return $this->cells(Meaning::Choices);
    }

    /** @return array<int, string> */
    private function distractors(): array
    {
        return $this->cells(Meaning::Distractors);
    }

    /** @return array<int, string> feedback by the place of its choice, from 1 */
    private function says(): array
    {
        $says = [];
        foreach ($this->columns->many[Meaning::Says->value] ?? [] as $place => $column) {
            $says[$place] = $this->row->cell($column);
        }

        return array_filter($says, static fn (string $text): bool => $text !== '');
    }

    /** @return array<int, string> */
    private function cells(Meaning $meaning): array
    {
        $cells = [];
        foreach ($this->columns->many[$meaning->value] ?? [] as $place => $column) {
            $cells[$place] = $this->row->cell($column);
        }
        $inOne = $this->columns->inOne[$meaning->value] ?? null;
        $together = $inOne === null ? '' : $this->row->cell($inOne);
        if ($together !== '') {
            foreach (RowCells::parts($together) as $i => $part) {
                $cells[$i + 1] ??= preg_replace('/^([*✓✔]?\s*)\(?([A-Za-z])(?:\)|\.(?=\s))\s*/u', '$1', $part) ?? $part;
            }
        }

        return array_filter($cells, static fn (string $text): bool => $text !== '');
    }

    private function said(Meaning $meaning): string
    {
        $column = $this->columns?->of($meaning);
        $cell = $column === null ? '' : $this->row->cell($column);

        return $cell === '' ? $this->every[$meaning->value] ?? '' : $cell;
    }

    private function problem(Meaning $meaning, string $message): void
    {
        $column = $this->columns?->of($meaning);
        if ($column === null && $meaning->isOfMany()) {
            $columns = [...$this->columns->many[$meaning->value] ?? [], ...array_values($this->columns->inOne ?? [])];
            $column = $columns[0] ?? null;
        }
        $this->problems[] = new Problem(
            $this->row->number,
            ($column ?? 0) + 1,
            $message,
            $column === null ? null : $this->columns?->name($column),
        );
    }

    private function problemIn(int $column, string $message): void
    {
        $this->problems[] = new Problem($this->row->number, $column + 1, $message, $this->columns?->name($column));
    }
}
