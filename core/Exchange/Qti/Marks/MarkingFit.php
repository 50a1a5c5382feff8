<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Marks;

use Zetema\Core\Data\Malformed;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Question;

/** Finds the simplest marking that gives the marks which an item’s own rules gave, for every response that was tried. */
final class MarkingFit
{
    /** Decimals that marks may have. */
    private const DECIMALS = [2, 4];
    private const MOST_POINTS = 1_000;
    /** Values of what a wrong part costs that are tried. */
    private const MOST_COSTS = 8;

    /** Whether the marks are the item’s own; else what is nearest to them. */
    public bool $fits = true;
    /** Whether marks had to be rounded or cut to what ours may be. */
    public bool $isCut = false;
    public Marking $marking;
    private readonly int $decimals;

    /**
     * @param list<Ratio> $marks of the first attempt, by try
     * @param array<int, list<Ratio>> $later of further attempts; none where the rules do not ask which it is
     */
    public function __construct(private readonly Answered $item, array $marks, array $later, bool $hasCorrect)
    {
        $this->decimals = $this->decimalsOf($marks);
        $most = Ratio::of(self::MOST_POINTS);
        $marks = array_map(function (Ratio $m) use ($most): Ratio {
            $this->isCut = $this->isCut || $m->isGreaterThan($most);

            return $m->isGreaterThan($most) ? $most : $m;
        }, $marks);
        $nearest = null;
        $fewest = PHP_INT_MAX;
        foreach ($this->candidates($marks, $hasCorrect) as $candidate) {
            $candidate = $candidate->with([
                ...$this->attemptCosts($marks, $later),
                ...$this->decimals > 2 ? ['decimals' => (string) $this->decimals] : [],
            ]);
            $wrong = $this->mismatches($candidate, [1 => $marks] + $later, $fewest);
            if ($wrong < $fewest) {
                [$nearest, $fewest] = [$candidate, $wrong];
            }
            if ($wrong === 0) {
                break;
            }
        }
        $this->fits = $fewest === 0;
        $this->marking = $nearest ?? new Marking('whole', Ratio::one());
    }

    /** @param list<Ratio> $marks */
    private function decimalsOf(array $marks): int
    {
        $most = self::DECIMALS[0];
        foreach ($marks as $mark) {
            $decimals = $mark->decimals() ?? 0;
            $this->isCut = $this->isCut || $decimals > self::DECIMALS[1];
            $most = max($most, min($decimals, self::DECIMALS[1]));
        }

        return $most;
    }

    /**
     * @param list<Ratio> $marks
     *
     * @return \Generator<int, Marking> the simplest first
     */
    private function candidates(array $marks, bool $hasCorrect): \Generator
    {
        $right = $this->item->allRight();
        $scores = array_filter($marks, static fn (Ratio $m): bool => !$m->isZero()) !== [];
        if (!$scores && !$hasCorrect) {
            yield new Marking('none');

            return;
        }
        $points = $right === null ? Ratio::zero() : $marks[$right];
        $blank = $marks[0]->isNegative() ? ['blank costs' => Marking::decimal($marks[0]->negated())] : [];
        foreach ($points->isPositive() ? $this->item->rules() : [] as $rule) {
            if (in_array($rule, ['whole', 'each', 'parts by place', 'parts by neighbour'], true)) {
                yield new Marking($rule, $points, [...$this->wrongCosts($marks, $rule === 'whole'), ...$blank]);
            } elseif ($rule === 'parts') {
                foreach ($this->partCosts($marks, $points) as $costs) {
                    yield new Marking($rule, $points, [
                        ...$costs === null ? [] : ['wrong part costs' => $costs],
                        ...$this->wrongCosts($marks, false),
                        ...$blank,
                    ]);
                }
            } elseif ($rule === 'weighed') {
                foreach ($this->item->weighed($marks) as $marking) {
                    yield $marking->with($blank);
                }
            }
        }
    }

    /**
     * What a response that earns nothing costs: where nothing is right but all, any that is not all right.
     *
     * @param list<Ratio> $marks
     *
     * @return array<string, string>
     */
    private function wrongCosts(array $marks, bool $whole): array
    {
        foreach ($marks as $try => $mark) {
            if ($try > 0 && $try !== $this->item->allRight() && $mark->isNegative() && ($whole || $this->item->parts($try)[1] > 0)) {
                return ['wrong costs' => Marking::decimal($mark->negated())];
            }
        }

        return [];
    }

    /**
     * @param list<Ratio> $marks
     *
     * @return list<string|null> what a wrong part may cost, in right parts; null: what it costs where nothing is said
     */
    private function partCosts(array $marks, Ratio $points): array
    {
        $costs = [];
        foreach ($marks as $try => $mark) {
            [$right, $wrong] = $this->item->parts($try);
            if ($wrong > 0 && $mark->isPositive() && $points->isGreaterThan($mark) && count($costs) < self::MOST_COSTS) {
                $cost = Ratio::of($right)
                    ->minus($mark->multipliedBy($this->item->partCount())->dividedBy($points))
                    ->dividedBy($wrong);
                if (!$cost->isNegative() && ($cost->decimals() ?? 9) <= 6) {
                    $costs[(string) $cost->decimal()] = true;
                }
            }
        }

        return [null, '0', '1', ...array_map(strval(...), array_keys($costs))];
    }

    /**
     * @param list<Ratio> $marks
     * @param array<int, list<Ratio>> $later
     *
     * @return array<string, string>
     */
    private function attemptCosts(array $marks, array $later): array
    {
        $right = $this->item->allRight();
        if ($later === [] || $right === null) {
            return [];
        }
        $costs = array_values(array_map(static fn (array $then): string => Marking::decimal($marks[$right]->minus($then[$right])), $later));
        while (count($costs) > 1 && $costs[count($costs) - 1] === $costs[count($costs) - 2]) {
            array_pop($costs);
        }

        return $costs === ['0'] ? [] : ['attempt costs' => implode(', ', $costs)];
    }

    /**
     * @param array<int, list<Ratio>> $marks by attempt
     *
     * @return int how many tries would be marked otherwise; that it cannot be asked so is more than any
     */
    private function mismatches(Marking $candidate, array $marks, int $enough): int
    {
        $question = self::question($this->item, $candidate);
        if ($question === null) {
            return PHP_INT_MAX;
        }
        $settings = $question->effective();
        $plan = MarkingPlan::of($question, $settings);
        $marker = new Marker();
        $wrong = 0;
        foreach ($this->item->tries() as $i => $tried) {
            try {
                $response = $question->kind->response($tried->response, $settings, complete: false);
            } catch (Malformed) {
                continue;
            }
            foreach ($marks as $attempt => $then) {
                $earned = $marker->mark($plan, $response, $attempt)->earned->exact();
                $wrong += $earned->isEqualTo($then[$i]->rounded($this->decimals)) ? 0 : 1;
            }
            if ($wrong >= $enough) {
                return $wrong;
            }
        }

        return $wrong;
    }

    private static function question(Answered $item, Marking $marking): ?Question
    {
        $made = $marking->sayIn($item->lines($marking))->make();

        return $made instanceof Question ? $made : null;
    }
}
