<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Check;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Outcome\Band;
use Zetema\Core\Blueprint\Reading\Refusal;
use Zetema\Core\Blueprint\Reading\Refusals;
use Zetema\Core\Blueprint\Step\AskingStep;
use Zetema\Core\Blueprint\Step\DrawStep;
use Zetema\Core\Blueprint\Step\Lead;
use Zetema\Core\Blueprint\Step\PageStep;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Blueprint\Step\Step;

/** Whatever is named is there, and no question stands twice. */
final class NamesCheck
{
    /** @var array<string, true> fixed questions so far */
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
            $this->step($step);
        }
        foreach (array_merge(...$this->blueprint->apart) as $name) {
            $this->question(Refusal::BLUEPRINT, $name);
        }
        foreach ($this->blueprint->tallies as $tally) {
            array_map(fn (Band $band) => $this->page(Refusal::BLUEPRINT, $band->page), $tally->bands);
        }
        array_map(
            fn (string $page) => $this->page(Refusal::BLUEPRINT, $page),
            array_filter([$this->blueprint->opening, ...$this->blueprint->closing->names()], is_string(...)),
        );
    }

    private function step(Step $step): void
    {
        if ($step instanceof PageStep) {
            $this->page($step->id, $step->page);
        }
        if ($step instanceof DrawStep) {
            $pool = $step->draw->pool;
            foreach (array_unique([...$pool->only, ...$pool->without, ...$pool->also]) as $name) {
                $this->question($step->id, $name);
            }
            if ($pool->in !== null && !$this->known->hasPool($pool->in)) {
                $this->refusals->add($step->id, 'unknown', sprintf('the bank keeps no pool “%s”', $pool->in));
            }
        }
        if ($step instanceof AskingStep) {
            array_map(fn (string $page) => $this->page($step->id, $page), $step->refresher->pages ?? []);
        }
        if ($step instanceof QuestionStep) {
            $this->fixed($step);
            array_map(fn (Lead $lead) => $this->page($step->id, $lead->page), $step->leads->typed());
        }
    }

    private function fixed(QuestionStep $step): void
    {
        if (!$this->known->mayBeDealt($step->question)) {
            $this->refusals->add($step->id, 'unknown', sprintf('there is no question “%s” that may be dealt', $step->question));

            return;
        }
        if (isset($this->fixed[$step->question])) {
            $this->refusals->add($step->id, 'twice', sprintf('“%s” stands in the running order before', $step->question));
        }
        $this->fixed[$step->question] = true;
        foreach (array_keys($step->leads->byChoice) as $choice) {
            if ($this->known->question($step->question)?->canChoose($choice) === false) {
                $this->refusals->add($step->id, 'unknown', sprintf('“%s” has no choice %d to lead anywhere', $step->question, $choice));
            }
        }
    }

    private function question(string $where, string $name): void
    {
        if (!$this->known->has($name)) {
            $this->refusals->add($where, 'unknown', sprintf('there is no question “%s”', $name));
        }
    }

    private function page(string $where, ?string $name): void
    {
        if ($name !== null && !$this->known->hasPage($name)) {
            $this->refusals->add($where, 'unknown', sprintf('there is no page “%s”', $name));
        }
    }
}
