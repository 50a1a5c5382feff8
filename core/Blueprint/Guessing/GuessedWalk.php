<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Guessing;

use Zetema\Core\Blueprint\Paths\Ways;
use Zetema\Core\Blueprint\Step\CheckpointStep;
use Zetema\Core\Blueprint\Step\PageStep;
use Zetema\Core\Marking\Guessing\Budget;
use Zetema\Core\Marking\Guessing\TooManyToCount;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;

/**
 * Guessing through a blueprint step by step, its routes taken as its checkpoints say: the distribution of all sums together. The chance
 * of passing is what of it reaches the pass mark (with the total's floor) and each minimum.
 *
 * @phpstan-type Distribution list<array{points: Points, chance: Ratio}>
 */
final readonly class GuessedWalk
{
    /** So many sums are added up at most; that takes some seconds. */
    private const STEPS = 300_000;

    public function __construct(private Ways $ways, private Sums $sums)
    {
    }

    /**
     * @param array<int, list<GuessedStep>> $asks by place in the running order
     *
     * @throws TooManyToCount
     */
    public function chance(array $asks, bool $best): Ratio
    {
        $budget = new Budget(self::STEPS);
        $zeros = array_fill(0, $this->sums->count(), Points::zero());
        /** @var array<int, array<string, array{GuessedSoFar, Ratio}>> $at by place, states that are the same once */
        $at = [0 => ['' => [new GuessedSoFar($this->sums, $zeros, $zeros), Ratio::one()]]];
        $end = count($this->ways->steps);
        for ($place = 0; $place < $end; ++$place) {
            $states = $at[$place] ?? [];
            unset($at[$place]);
            foreach ($asks[$place] ?? [] as $step) {
                foreach ($states === [] ? [] : $step->asked($best) as [$rows, $worth]) {
                    $states = $this->guessed($states, $rows, $worth, $step->sums, $budget);
                }
            }
            foreach ($states as [$so, $chance]) {
                self::add($at[$this->next($place, $so)], $so, $chance);
            }
        }

        return array_reduce(
            $at[$end] ?? [],
            fn (Ratio $sum, array $state): Ratio => $this->passes($state[0]) ? $sum->plus($state[1]) : $sum,
            Ratio::zero(),
        );
    }

    /**
     * @param array<string, array{GuessedSoFar, Ratio}> $states
     * @param Distribution $rows
     * @param list<int> $in
     *
     * @return array<string, array{GuessedSoFar, Ratio}>
     */
    private function guessed(array $states, array $rows, Points $worth, array $in, Budget $budget): array
    {
        $next = [];
        foreach ($states as [$so, $chance]) {
            $budget->use(count($rows) * count($in));
            $max = $so->max;
            foreach ($in as $i) {
                $max[$i] = $max[$i]->plus($worth);
            }
            foreach ($rows as $row) {
                $earned = $so->earned;
                foreach ($in as $i) {
                    $earned[$i] = $earned[$i]->plus($row['points']);
                }
                self::add($next, new GuessedSoFar($this->sums, $earned, $max), $chance->multipliedBy($row['chance']));
            }
        }

        return $next;
    }

    /**
     * @param array<string, array{GuessedSoFar, Ratio}>|null $states
     *
     * @param-out array<string, array{GuessedSoFar, Ratio}> $states
     */
    private static function add(?array &$states, GuessedSoFar $so, Ratio $chance): void
    {
        $key = implode(' ', $so->earned) . '/' . implode(' ', $so->max);
        $states[$key] = [$so, isset($states[$key]) ? $states[$key][1]->plus($chance) : $chance];
    }

    private function next(int $place, GuessedSoFar $so): int
    {
        $step = $this->ways->steps[$place][1];
        $way = $step instanceof PageStep ? $step->then : null;
        if ($step instanceof CheckpointStep) {
            $way = $step->otherwise;
            foreach ($step->routes as $route) {
                if ($route->when->holds($so)) {
                    $way = $route->to;
                    break;
                }
            }
        }
        $to = $way === null ? $place + 1 : $this->ways->place($place, $way) ?? $place + 1;

        return $to > $place ? $to : throw new TooManyToCount('the way leads back');
    }

    private function passes(GuessedSoFar $so): bool
    {
        $pass = $this->ways->blueprint->pass;
        $total = $so->earned[Sums::TOTAL];
        $total = $total->isNegative() && $this->ways->blueprint->rules->hasFloor() ? Points::zero() : $total;
        if ($pass === null || $so->max[Sums::TOTAL]->isZero() || !$pass->mark->isReachedBy($total, $so->max[Sums::TOTAL])) {
            return false;
        }
        foreach ($this->sums->minimums as $i => $minimum) {
            // Where nothing graded was asked of it there is nothing to reach.
            if (!$so->max[1 + $i]->isZero() && !$minimum->mark->isReachedBy($so->earned[1 + $i], $so->max[1 + $i])) {
                return false;
            }
        }

        return true;
    }
}
