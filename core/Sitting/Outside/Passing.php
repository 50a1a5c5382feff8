<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Outside;

use Zetema\Core\Blueprint\Outcome\Minimum;
use Zetema\Core\Question\Points;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Run\Totals;

/** The total, and whether it is enough. A sitting that has not ended is neither passed nor failed. */
final readonly class Passing
{
    private Points $sum;
    private Points $max;

    public function __construct(private Paper $paper, private Totals $totals, private bool $hasEnded)
    {
        [$this->sum, $this->max] = $totals->sum();
    }

    /** With the floor, once it has ended. */
    public function points(): Points
    {
        return $this->hasEnded && $this->sum->isNegative() && $this->paper->blueprint->rules->hasFloor() ? Points::zero() : $this->sum;
    }

    public function max(): Points
    {
        return $this->max;
    }

    /** Exact, cut toward 0 to two decimals; null without a pass mark, or if there is nothing to earn. */
    public function percent(): ?string
    {
        return $this->isJudged()
            ? (string) Points::cut($this->points()->exact()->multipliedBy(100)->dividedBy($this->max->exact()), 2)
            : null;
    }

    public function passed(): ?bool
    {
        $pass = $this->paper->blueprint->pass;
        if ($pass === null || !$this->isJudged()) {
            return null;
        }

        return $pass->mark->isReachedBy($this->points(), $this->max) && !in_array(false, array_column($this->minimums(), 'met'), true);
    }

    /** @return list<array{objective: string, met: bool|null}> null where nothing graded was asked */
    public function minimums(): array
    {
        return array_map(
            fn (Minimum $minimum): array => ['objective' => $minimum->objective, 'met' => $this->hasEnded ? $this->met($minimum) : null],
            $this->paper->blueprint->pass->minimums ?? [],
        );
    }

    private function met(Minimum $minimum): ?bool
    {
        $earned = $max = Points::zero();
        foreach ($this->totals->closed() as [$place, $standing]) {
            if ($minimum->covers(implode(' > ', $place->question->objective))) {
                $earned = $earned->plus($standing->mark->verdict->earned);
                $max = $max->plus($place->plan->max());
            }
        }

        return $max->isZero() ? null : $minimum->mark->isReachedBy($earned, $max);
    }

    private function isJudged(): bool
    {
        return $this->hasEnded && $this->paper->blueprint->pass !== null && !$this->max->isZero();
    }
}
