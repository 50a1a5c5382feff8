<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Check;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Paths\Ways;
use Zetema\Core\Blueprint\Reading\Refusals;
use Zetema\Core\Blueprint\Step\CheckpointStep;

/** Ways lead forward, to where one can begin, and some way comes to every step. */
final class WaysCheck
{
    private readonly Ways $ways;

    public function __construct(private readonly Blueprint $blueprint, private readonly Refusals $refusals)
    {
        $this->ways = new Ways($blueprint);
    }

    public function run(): void
    {
        $lead = [];
        foreach ($this->ways->steps as $from => [, $step]) {
            $lead[$from] = [];
            foreach (Ways::written($step) as $way) {
                $why = $this->why($from, $way);
                if ($why !== null) {
                    $this->refusals->add($step->id, ...$why);
                } else {
                    $lead[$from][] = (int) $this->ways->place($from, $way);
                }
            }
        }
        if ($this->refusals->isEmpty()) {
            $this->reach($lead);
        }
    }

    /** @return array{string, string}|null subject and message, if a way cannot be gone */
    private function why(int $from, string $way): ?array
    {
        if ($way === Blueprint::END || $way === Blueprint::NEXT) {
            return null;
        }
        if (!isset($this->ways->places[$way])) {
            return ['unknown', sprintf('there is no step or section “%s”', $way)];
        }
        [$own] = $this->ways->steps[$from];
        $into = $this->ways->sections[$way] ?? $this->ways->sections[$this->ways->steps[$this->ways->places[$way]][0]->id];
        $forward = isset($this->ways->sections[$way]) ? $into > $this->ways->sections[$own->id] : $this->ways->places[$way] > $from;
        if (!$forward || ($this->blueprint->isMixed && $into !== $this->ways->sections[$own->id])) {
            return ['to', sprintf('“%s” does not come after this step; ways lead forward', $way)];
        }

        return $this->isBeginning($way, $into)
            ? null
            : ['to', sprintf('“%s” stands in the middle of what is gone through together; lead to its beginning', $way)];
    }

    /** Whether a screen that is shared, or a stretch that is moved in freely, begins there. */
    private function isBeginning(string $way, int $into): bool
    {
        $section = $this->blueprint->sections[$into];
        $rules = $this->blueprint->rulesIn($section);
        $place = $this->ways->places[$way];
        if (!$rules->sharesScreen() && !$rules->isAnyOrder()) {
            return true;
        }
        if ($section->isMixed && !isset($this->ways->sections[$way])) {
            return false;
        }
        $isFirst = $place === $this->ways->places[$section->id];
        [$before, $stepBefore] = $this->ways->steps[$place - 1] ?? [null, null];
        if ($stepBefore instanceof CheckpointStep || ($this->ways->steps[$place][1] ?? null) instanceof CheckpointStep) {
            return true;
        }
        if (!$isFirst || !$rules->isAnyOrder() || $before === null) {
            return $isFirst;
        }

        return $section->seconds !== null || $before->seconds !== null || !$this->blueprint->rulesIn($before)->isAnyOrder();
    }

    /** @param array<int, list<int>> $lead where each step may lead */
    private function reach(array $lead): void
    {
        $reached = [];
        $open = [0];
        while ($open !== []) {
            $place = array_pop($open);
            if (!isset($reached[$place]) && isset($lead[$place])) {
                $reached[$place] = true;
                array_push($open, ...$lead[$place]);
            }
        }
        foreach ($this->ways->steps as $place => [, $step]) {
            if (!isset($reached[$place])) {
                $this->refusals->add($step->id, 'reach', 'no way comes to this step');
            }
        }
    }
}
