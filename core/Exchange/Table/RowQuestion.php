<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Table;

use Zetema\Core\Exchange\TypedPaper\Choices;
use Zetema\Core\Exchange\TypedPaper\Ordering;
use Zetema\Core\Exchange\Written\Blanks;
use Zetema\Core\Exchange\Written\ChoiceCount;
use Zetema\Core\Exchange\Written\NumberAnswer;
use Zetema\Core\Exchange\Written\QuestionLines;
use Zetema\Core\Exchange\Written\Styled;
use Zetema\Core\Exchange\Written\TrueOrFalse;
use Zetema\Core\Exchange\Written\TypedAnswer;

/** Kind and key of a row. */
final class RowQuestion
{
    public ?QuestionLines $lines = null;
    /** @var list<array{Meaning, string}> what is wrong, and in which cell */
    public array $problems = [];
    public string $why = '';
    /** @var list<array{int, string, bool}> choices: place, text, whether it is a key */
    public array $choices = [];

    /** @param string|null $kind null: as the row tells */
    public function __construct(private readonly RowCells $cells, ?string $kind)
    {
        $hasChoices = $cells->choices !== [] || $cells->distractors !== [];
        $claim = TrueOrFalse::of($cells->key, $kind === 'claim');
        match (true) {
            $kind === 'pairs' => $this->pairs(),
            $kind === 'order' => $this->order(),
            $kind === 'claim' => $this->claim($claim),
            $kind === null && $this->isTrueAndFalse() => $this->claim($claim),
            in_array($kind, ['one', 'choice', 'several'], true) || ($kind === null && $hasChoices) => $this->choices($kind),
            $hasChoices => ($this->problems[] = [Meaning::Kind, sprintf('a question of kind %s has no choices', $kind)]),
            $cells->key === '' => $this->keyMissing(),
            $kind === null && $claim !== null && !str_contains(Blanks::in($cells->stem), '___') => $this->claim($claim),
            default => $this->typed($kind),
        };
    }

    private function isTrueAndFalse(): bool
    {
        $values = array_map(
            TrueOrFalse::of(...),
            array_values(array_map(static fn (string $text): string => Choices::mark(new Styled($text))[0]->text, $this->cells->choices)),
        );

        return count($values) === 2 && !in_array(null, $values, true) && $values[0] !== $values[1];
    }

    private function claim(?bool $holds): void
    {
        if ($this->cells->choices !== []) {
            if (!$this->isTrueAndFalse()) {
                $this->problems[] = [Meaning::Choices, 'the choices of a claim are true and false'];

                return;
            }
            $this->choices(null);
            $keys = array_values(array_filter($this->choices, static fn (array $c): bool => $c[2]));
            $holds = $keys === [] ? null : TrueOrFalse::of($keys[0][1]);
            $this->lines = null;
            if ($this->problems !== []) {
                return;
            }
        }
        if ($this->cells->key === '' && $holds === null) {
            $this->keyMissing();
        } elseif ($holds === null) {
            $this->problems[] = [Meaning::Key, sprintf('“%s” is neither true nor false', $this->cells->key)];
        } else {
            $this->why = ($holds ? 'true' : 'false') . ': the key says so';
            $this->lines = new QuestionLines($holds ? 'true' : 'false', $this->cells->stem, $this->cells->row);
        }
    }

    private function choices(?string $kind): void
    {
        $texts = $this->cells->choices;
        if ($texts === [] && $this->cells->distractors !== []) {
            $texts =
                $this->cells->key === ''
                    ? []
                    : [
                        1 => $this->cells->key,
                        ...array_combine(
                            array_map(static fn (int $place): int => $place + 1, array_keys($this->cells->distractors)),
                            $this->cells->distractors,
                        ),
                    ];
            $texts === [] ? $this->keyMissing() : $this->take($texts, [1], $kind);

            return;
        }
        foreach ($this->cells->distractors as $text) {
            $texts[] = $text;
        }
        if (count($texts) < 2) {
            $this->problems[] = [Meaning::Choices, 'a choice has at least two answers to choose from'];

            return;
        }
        $marked = [];
        foreach ($texts as $place => $text) {
            [$plain, $mark] = Choices::mark(new Styled($text));
            $texts[$place] = $plain->text;
            $marked = $mark === null ? $marked : [...$marked, $place];
        }
        $marked = count($marked) === count($texts) ? [] : $marked;
        $keys = $this->cells->key === '' ? $marked : RowKeys::of($this->cells->key, $texts);
        if (is_string($keys)) {
            $this->problems[] = [Meaning::Key, $keys];
        } elseif ($keys === []) {
            $this->keyMissing();
        } elseif ($marked !== [] && $marked !== $keys) {
            $this->problems[] = [Meaning::Key, 'names other choices than those that are marked'];
        } else {
            $this->take($texts, $keys, $kind);
        }
    }

    /**
     * @param array<int, string> $texts
     * @param list<int> $keys places
     */
    private function take(array $texts, array $keys, ?string $kind): void
    {
        [$sort, $choose] = ChoiceCount::of($this->cells->stem, count($keys));
        $sort = in_array($kind, ['one', 'several'], true) ? $kind : $sort;
        if ($kind === 'one' && count($keys) > 1) {
            $this->problems[] = [Meaning::Kind, sprintf('one answer is right, but the key names %d', count($keys))];

            return;
        }
        if ($choose !== null && $choose !== count($keys)) {
            $this->problems[] = [Meaning::Key, sprintf('the stem asks for %d, the key names %d', $choose, count($keys))];

            return;
        }
        $this->why = 'key ' . implode(', ', array_map(static fn (int $place): string => chr(64 + $place), $keys));
        $this->lines = new QuestionLines($sort, Blanks::in($this->cells->stem), $this->cells->row);
        foreach ($texts as $place => $text) {
            $this->choices[] = [$place, $text, in_array($place, $keys, true)];
        }
        if ($choose !== null && $sort === 'several') {
            $this->lines->add('choose', (string) $choose);
        }
    }

    private function pairs(): void
    {
        $cells = $this->cells->choices !== [] ? array_values($this->cells->choices) : RowCells::parts($this->cells->key, ["\n", ';']);
        $where = $this->cells->choices !== [] ? Meaning::Choices : Meaning::Key;
        if ($cells === []) {
            $this->keyMissing();

            return;
        }
        $lines = new QuestionLines('pairs', $this->cells->stem, $this->cells->row);
        foreach ($cells as $cell) {
            if (preg_match('/^(.*?)\s*(?:=|→|->)\s*(\S.*)$/us', $cell, $m) !== 1) {
                $this->problems[] = [$where, sprintf('“%s” is no pair; “left = right” would be', mb_substr($cell, 0, 60))];

                return;
            }
            $m[1] === '' ? $lines->add('spare with', $m[2]) : $lines->add('pair', $m[1], [$lines->line('with', $m[2])]);
        }
        $this->why = 'pairs as written';
        $this->lines = $lines;
    }

    private function order(): void
    {
        $items = array_values($this->cells->choices);
        if ($this->cells->key === '') {
            $this->keyMissing();

            return;
        }
        if ($items === []) {
            $items = RowCells::parts($this->cells->key, ["\n", ';']);
        } else {
            $letters = array_map(static fn (int $place): string => chr(64 + min(26, $place)), array_keys($this->cells->choices));
            $order = Ordering::places(str_replace("\n", ', ', $this->cells->key), $letters);
            $sorted = $order;
            sort($sorted);
            if ($sorted !== range(0, count($items) - 1)) {
                $this->problems[] = [
                    Meaning::Key,
                    sprintf('the key of an order names each item once; “%s” does not', mb_substr($this->cells->key, 0, 60)),
                ];

                return;
            }
            $items = array_map(static fn (int $i): string => $items[$i], $order);
        }
        $this->why = 'in the order that the key gives';
        $this->lines = new QuestionLines('order', $this->cells->stem, $this->cells->row);
        foreach ($items as $item) {
            $this->lines->add('item', $item);
        }
    }

    private function typed(?string $kind): void
    {
        $key = $this->cells->key;
        if ($this->cells->tolerance !== '' && in_array($kind, [null, 'number'], true)) {
            if (
                preg_match('/^(?:±\s*)?(' . NumberAnswer::NUMBER . ')\s*(%?)$/u', $this->cells->tolerance, $m) !== 1 ||
                NumberAnswer::number($m[1]) === null
            ) {
                $this->problems[] = [
                    Meaning::Tolerance,
                    sprintf('“%s” is no tolerance; a number or a percentage would be', $this->cells->tolerance),
                ];

                return;
            }
            $key .= ' ± ' . $m[1] . ($m[2] === '' ? '' : ' %');
        }
        $typed = TypedAnswer::of(
            Blanks::in($this->cells->stem),
            [['text' => $key, 'line' => $this->cells->row]],
            [],
            $this->cells->row,
            $kind,
        );
        foreach ($typed->problems as $problem) {
            $this->problems[] = [Meaning::Key, $problem->message];
        }
        if ($typed->lines !== null && $this->cells->unit !== '' && $typed->lines->opening === 'number') {
            $typed->lines->put('unit', str_replace([';', "\n"], ',', $this->cells->unit));
        }
        $this->lines = $typed->lines;
        $this->why = $typed->lines === null ? '' : rtrim($typed->lines->opening . ': the key; ' . $typed->why, '; ');
    }

    private function keyMissing(): void
    {
        $this->problems[] = [Meaning::Key, 'key missing: nothing says what is right'];
    }
}
