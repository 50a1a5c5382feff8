<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Check;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Condition\Asked;
use Zetema\Core\Blueprint\Outcome\Tally;
use Zetema\Core\Blueprint\Reading\Refusals;
use Zetema\Core\Blueprint\Section;
use Zetema\Core\Blueprint\Step\CheckpointStep;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Blueprint\Step\Step;

/** Conditions ask about what is there, and not about what comes after them. */
final class ConditionsCheck
{
    /** @var array<string, true> fixed questions that stand before, in the running order */
    private array $asked = [];
    /** @var array<string, true> sections up to the one that is looked at */
    private array $begun = [];
    /** @var array<string, true> */
    private array $fixed = [];

    public function __construct(
        private readonly Blueprint $blueprint,
        private readonly Known $known,
        private readonly Refusals $refusals,
    ) {
    }

    public function run(): void
    {
        foreach ($this->blueprint->steps() as [, $step]) {
            $this->fixed += $step instanceof QuestionStep ? [$step->question => true] : [];
        }
        foreach ($this->blueprint->sections as $section) {
            $this->begun[$section->id] = true;
            array_map($this->step(...), $section->steps);
        }
    }

    private function step(Step $step): void
    {
        $this->asked += $step instanceof QuestionStep ? [$step->question => true] : [];
        if ($step instanceof CheckpointStep) {
            $this->checkpoint($step);
        }
    }

    private function checkpoint(CheckpointStep $step): void
    {
        $asks = array_merge(...array_map(static fn ($route): array => $route->when->asks(), $step->routes));
        foreach (array_unique($asks, SORT_REGULAR) as $asked) {
            if (!$this->isThere($asked)) {
                $this->refusals->add(
                    $step->id,
                    'unknown',
                    match (true) {
                        $asked->what === 'question' && $asked->choice !== null && $this->known->question($asked->name) !== null => sprintf(
                            '“%s” has no choice %d',
                            $asked->name,
                            $asked->choice,
                        ),
                        default => sprintf('there is no %s “%s” to ask about', $asked->what, $asked->name),
                    },
                );
            } elseif ($this->comesAfter($asked)) {
                $this->refusals->add(
                    $step->id,
                    'condition',
                    sprintf('the %s “%s” comes after this checkpoint', $asked->what, $asked->name),
                );
            }
        }
    }

    private function isThere(Asked $asked): bool
    {
        return match ($asked->what) {
            'tally' => array_filter($this->blueprint->tallies, static fn (Tally $tally): bool => $tally->name === $asked->name) !== [],
            'section' => array_filter($this->blueprint->sections, static fn (Section $section): bool => $section->id === $asked->name) !==
                [],
            default => $this->known->has($asked->name) &&
                ($asked->choice === null || $this->known->question($asked->name)?->canChoose($asked->choice) !== false),
        };
    }

    private function comesAfter(Asked $asked): bool
    {
        return match ($asked->what) {
            'section' => !isset($this->begun[$asked->name]),
            'question' => isset($this->fixed[$asked->name]) && !isset($this->asked[$asked->name]),
            default => false,
        };
    }
}
