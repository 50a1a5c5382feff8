<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items\Kinds;

use Zetema\Core\Exchange\Qti\Marks\Marking;
use Zetema\Core\Exchange\Qti\Marks\Subsets;
use Zetema\Core\Exchange\Qti\Marks\Tried;
use Zetema\Core\Exchange\Qti\Variables\ResponseDeclaration;
use Zetema\Core\Exchange\Written\QuestionLines;
use Zetema\Core\Numbers\Ratio;

/** Choices, one or several of which are taken: also a claim, whose choices are true and false. */
final class ChoiceItem extends SetItem
{
    /** @var list<Tried>|null */
    private ?array $tries = null;

    /**
     * @param string $kind one, several or claim
     * @param list<array{identifier: string, text: string, pinned: bool}> $choices
     * @param int $least that must be taken
     * @param int $most that may be
     * @param array<string, string> $settings that do not follow from marks: shuffle, choose, layout, words
     */
    public function __construct(
        private readonly string $kind,
        private readonly string $stem,
        private readonly array $choices,
        private readonly int $least,
        int $most,
        private readonly ResponseDeclaration $declaration,
        private readonly array $settings,
        private readonly int $line,
    ) {
        parent::__construct($most);
    }

    public function tries(): array
    {
        if ($this->tries === null) {
            $this->sets = [[], ...Subsets::of(count($this->choices), $this->least, $this->most, $this->declared())];
            $this->tries = array_map(
                fn (array $set): Tried => new Tried(
                    [
                        $this->declaration->identifier => $this->declaration->value(
                            array_map(fn (int $i): string => $this->choices[$i - 1]['identifier'], $set),
                        ),
                    ],
                    $set === [] ? null : ['choose' => $set],
                    $set,
                ),
                $this->sets,
            );
        }

        return $this->tries;
    }

    /** @return list<int> what is declared to be correct */
    public function declared(): array
    {
        $correct = $this->declaration->correct?->texts() ?? [];

        return array_keys(
            array_filter(
                [0 => null, ...array_column($this->choices, 'identifier')],
                static fn (?string $id): bool => $id !== null && in_array($id, $correct, true),
            ),
        );
    }

    public function settle(array $marks): void
    {
        $declared = $this->declared();
        $best = array_reduce($marks, static fn (Ratio $a, Ratio $b): Ratio => $b->isGreaterThan($a) ? $b : $a, Ratio::zero());
        $sets = array_values(
            array_filter(
                $this->sets,
                static fn (array $set, int $i): bool => $i > 0 && $marks[$i]->isEqualTo($best),
                ARRAY_FILTER_USE_BOTH,
            ),
        );
        if (!$best->isPositive() || $sets === []) {
            $this->keys = $declared;

            return;
        }
        if ($this->most === 1) {
            $this->keys = array_merge(...$sets);

            return;
        }
        $size = min(array_map(count(...), $sets));
        $smallest = array_values(array_filter($sets, static fn (array $set): bool => count($set) === $size));
        $all = array_values(array_unique(array_merge(...$smallest)));
        sort($all);
        $this->keys = match (true) {
            in_array($declared, $sets, true) => $declared,
            $size === $this->most && count($smallest) > 1 => $all,
            default => $smallest[0],
        };
    }

    /** Whether what is declared to be correct is what scores: for one choice of several that score the same, any of them may be. */
    public function agrees(): bool
    {
        $declared = $this->declared();

        return $declared === [] || ($this->most === 1 ? array_diff($declared, $this->keys) === [] : $declared === $this->keys);
    }

    public function isClaim(): bool
    {
        return $this->kind === 'claim';
    }

    public function rules(): array
    {
        return $this->kind === 'several' ? ['whole', 'parts', 'each', 'weighed'] : ['whole', 'weighed'];
    }

    public function weighed(array $marks): array
    {
        $guesses = [];
        $mapping = $this->declaration->mapping;
        $identifiers = array_column($this->choices, 'identifier');
        if ($mapping !== null) {
            $weights = array_map(static fn (string $id): Ratio => $mapping->entries[$id] ?? $mapping->default, $identifiers);
            $guesses[] = new Marking('weighed', weights: $weights);
            if ($mapping->lower !== null && !$mapping->lower->isPositive()) {
                $guesses[] = new Marking('weighed', settings: ['floor' => Marking::decimal($mapping->lower)], weights: $weights);
            }
        }
        $alone = $this->alone($marks);
        if ($alone !== null) {
            $guesses[] = new Marking('weighed', weights: $alone);
            $least = array_reduce($marks, static fn (Ratio $a, Ratio $b): Ratio => $a->isGreaterThan($b) ? $b : $a, Ratio::zero());
            $guesses[] = new Marking('weighed', settings: ['floor' => Marking::decimal($least)], weights: $alone);
        }

        return $guesses;
    }

    /**
     * What each choice earns by itself; where several must be taken, by what taking it instead of another changes.
     *
     * @param list<Ratio> $marks
     *
     * @return list<Ratio>|null
     */
    private function alone(array $marks): ?array
    {
        /** @var array<array-key, Ratio> $of */
        $of = [];
        foreach ($this->sets as $i => $set) {
            $of[implode(' ', $set)] = $marks[$i];
        }
        $count = count($this->choices);
        if ($this->least <= 1) {
            $alone = array_values(
                array_filter(
                    array_map(static fn (int $i): ?Ratio => $of["$i"] ?? null, range(1, $count)),
                    static fn (?Ratio $r): bool => $r !== null,
                ),
            );

            return count($alone) === $count ? $alone : null;
        }
        $size = $this->least;
        if ($size >= $count) {
            return null;
        }
        // Each choice beside the first: a set with it and without the first, less the same with the first instead.
        $beyond = [Ratio::zero()];
        for ($i = 2; $i <= $count; ++$i) {
            $others = array_slice(array_values(array_diff(range(2, $count), [$i])), 0, $size - 1);
            [$with, $without] = [self::markOf($of, [...$others, $i]), self::markOf($of, [...$others, 1])];
            if (count($others) < $size - 1 || $with === null || $without === null) {
                return null;
            }
            $beyond[] = $with->minus($without);
        }
        $sum = array_reduce(array_slice($beyond, 0, $size), static fn (Ratio $a, Ratio $b): Ratio => $a->plus($b), Ratio::zero());
        $first = self::markOf($of, range(1, $size))?->minus($sum)->dividedBy($size);

        return $first === null ? null : array_map(static fn (Ratio $b): Ratio => $b->plus($first), $beyond);
    }

    /**
     * @param array<array-key, Ratio> $of marks by set
     * @param list<int> $set
     */
    private static function markOf(array $of, array $set): ?Ratio
    {
        sort($set);

        return $of[implode(' ', $set)] ?? null;
    }

    public function lines(Marking $marking, array $says = []): QuestionLines
    {
        if ($marking->rule === 'none') {
            return $this->keyless($says);
        }
        $keys = $this->keysUnder($marking);
        $opening = $this->kind === 'claim' ? ($keys === [2] ? 'false' : 'true') : $this->kind;
        $lines = new QuestionLines($opening, $this->stem, $this->line);
        foreach ($this->choices as $i => $choice) {
            $below = isset($says[$i + 1]) ? [$lines->line('says', $says[$i + 1])] : [];
            if ($this->kind === 'claim') {
                if ($marking->isWeighed()) {
                    $lines->add('weight ' . ($i === 0 ? 'true' : 'false'), Marking::decimal($marking->weights[$i]));
                }
                if ($below !== []) {
                    $lines->add('if ' . (in_array($i + 1, $keys, true) ? 'right' : 'wrong'), $says[$i + 1]);
                }
                continue;
            }
            $lines->add(
                ($choice['pinned'] ? 'pinned ' : '') .
                    (in_array($i + 1, $keys, true) ? 'yes' : 'no') .
                    ($marking->isWeighed() ? ' ' . Marking::decimal($marking->weights[$i]) : ''),
                $choice['text'],
                $below,
            );
        }
        foreach ($this->settings as $word => $value) {
            $lines->add($word, $value);
        }

        return $lines;
    }

    /**
     * A choice that nobody judges, or a scale of numbers.
     *
     * @param array<int|string, string> $says
     */
    private function keyless(array $says): QuestionLines
    {
        $scale = $this->kind === 'one' && $says === [] ? Scale::of(array_column($this->choices, 'text')) : null;
        $lines = new QuestionLines(
            $scale !== null ? 'rating' : ($this->kind === 'claim' ? 'true' : $this->kind),
            $this->stem,
            $this->line,
        );
        foreach ($scale === null && $this->kind !== 'claim' ? $this->choices : [] as $i => $choice) {
            $lines->add(
                $choice['pinned'] ? 'pinned no' : 'no',
                $choice['text'],
                isset($says[$i + 1]) ? [$lines->line('says', $says[$i + 1])] : [],
            );
        }
        foreach ($scale ?? $this->settings as $word => $value) {
            $lines->add($word, $value);
        }

        return $lines;
    }

    /** @return list<int> under weights what is declared, else what earns most or, of several, something */
    public function keysUnder(Marking $marking): array
    {
        if (!$marking->isWeighed()) {
            return $this->keys;
        }
        $declared = $this->declared();
        if ($declared !== []) {
            return $declared;
        }
        $most = array_reduce($marking->weights, static fn (Ratio $a, Ratio $b): Ratio => $b->isGreaterThan($a) ? $b : $a, Ratio::zero());
        $places = array_filter(
            $marking->weights,
            fn (Ratio $w): bool => $this->kind === 'several' ? $w->isPositive() : $w->isEqualTo($most),
        );

        return array_map(static fn (int $i): int => $i + 1, array_keys($places));
    }
}
