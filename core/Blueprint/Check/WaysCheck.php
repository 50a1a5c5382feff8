<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Check;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Reading\Refusals;
use Zetema\Core\Blueprint\Section;
use Zetema\Core\Blueprint\Step\CheckpointStep;
use Zetema\Core\Blueprint\Step\Lead;
use Zetema\Core\Blueprint\Step\PageStep;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Blueprint\Step\Step;

/** Ways lead forward, to where one can begin, and some way comes to every step. */
final class WaysCheck
{
    /** @var list<array{Section, Step}> */
    private readonly array $steps;
    /** @var array<string, int> places in the running order by ids of steps and sections */
    private array $places = [];
    /** @var array<string, int> places of sections in the blueprint */
    private array $sections = [];

    public function __construct(private readonly Blueprint $blueprint, private readonly Refusals $refusals)
    {
        $this->steps = $blueprint->steps();
        $place = 0;
        foreach ($blueprint->sections as $i => $section) {
            $this->places[$section->id] = $place;
            $this->sections[$section->id] = $i;
            foreach ($section->steps as $step) {
                $this->places[$step->id] = $place++;
            }
        }
    }

    public function run(): void
    {
        $lead = [];
        foreach ($this->steps as $from => [, $step]) {
            $lead[$from] = [];
            foreach ($this->ways($step) as $way) {
                $why = $this->why($from, $way);
                if ($why !== null) {
                    $this->refusals->add($step->id, ...$why);
                } else {
                    $lead[$from][] = match ($way) {
                        Blueprint::END => count($this->steps),
                        Blueprint::NEXT => $from + 1,
                        default => $this->places[$way],
                    };
                }
            }
        }
        if ($this->refusals->isEmpty()) {
            $this->reach($lead);
        }
    }

    /** @return list<string> all that a step may lead to, as written */
    private function ways(Step $step): array
    {
        return match (true) {
            $step instanceof CheckpointStep => $step->ways(),
            $step instanceof PageStep => [$step->then ?? Blueprint::NEXT],
            $step instanceof QuestionStep => [Blueprint::NEXT, ...array_values(array_filter(array_map(static fn (Lead $lead): ?string => $lead->then, $step->leads->typed()), is_string(...)))],
            default => [Blueprint::NEXT],
        };
    }

    /** @return array{string, string}|null subject and message, if a way cannot be gone */
    private function why(int $from, string $way): ?array
    {
        if ($way === Blueprint::END || $way === Blueprint::NEXT) {
            return null;
        }
        if (!isset($this->places[$way])) {
            return ['unknown', sprintf('there is no step or section “%s”', $way)];
        }
        [$own] = $this->steps[$from];
        $into = $this->sections[$way] ?? $this->sections[$this->steps[$this->places[$way]][0]->id];
        $forward = isset($this->sections[$way]) ? $into > $this->sections[$own->id] : $this->places[$way] > $from;
        if (!$forward || ($this->blueprint->isMixed && $into !== $this->sections[$own->id])) {
            return ['to', sprintf('“%s” does not come after this step; ways lead forward', $way)];
        }

        return $this->isBeginning($way, $into) ? null : ['to', sprintf('“%s” stands in the middle of what is gone through together; lead to its beginning', $way)];
    }

    /** Whether a screen that is shared, or a stretch that is moved in freely, begins there. */
    private function isBeginning(string $way, int $into): bool
    {
        $section = $this->blueprint->sections[$into];
        $rules = $this->blueprint->rulesIn($section);
        $place = $this->places[$way];
        if (!$rules->sharesScreen() && !$rules->isAnyOrder()) {
            return true;
        }
        if ($section->isMixed && !isset($this->sections[$way])) {
            return false;
        }
        $isFirst = $place === $this->places[$section->id];
        [$before, $stepBefore] = $this->steps[$place - 1] ?? [null, null];
        if ($stepBefore instanceof CheckpointStep || ($this->steps[$place][1] ?? null) instanceof CheckpointStep) {
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
        foreach ($this->steps as $place => [, $step]) {
            if (!isset($reached[$place])) {
                $this->refusals->add($step->id, 'reach', 'no way comes to this step');
            }
        }
    }
}
