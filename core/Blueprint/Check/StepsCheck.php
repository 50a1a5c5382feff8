<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Check;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Reading\Refusals;
use Zetema\Core\Blueprint\Rules\Rules;
use Zetema\Core\Blueprint\Section;
use Zetema\Core\Blueprint\Step\AskingStep;
use Zetema\Core\Blueprint\Step\CheckpointStep;
use Zetema\Core\Blueprint\Step\Lead;
use Zetema\Core\Blueprint\Step\PageStep;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Blueprint\Step\Step;
use Zetema\Core\Question\Settings\Setting;

/** What is typed at a step and cannot hold there: by the rules of its section, or because its section is mixed. */
final readonly class StepsCheck
{
    public function __construct(private Blueprint $blueprint, private Known $known, private Refusals $refusals)
    {
    }

    public function run(): void
    {
        if (
            $this->blueprint->isMixed &&
            array_filter($this->blueprint->steps(), static fn (array $at): bool => $at[1] instanceof CheckpointStep) !== []
        ) {
            $this->refusals->add('blueprint', 'order', 'a checkpoint needs an order to lead along, and the sections are mixed');
        }
        foreach ($this->blueprint->sections as $section) {
            $rules = $this->blueprint->rulesIn($section);
            foreach ($section->steps as $step) {
                $this->mixed($section, $step);
                $this->ways($rules, $step);
                if ($step instanceof AskingStep) {
                    $this->settings($rules, $step);
                    $this->refresher($rules, $step);
                }
            }
        }
    }

    private function mixed(Section $section, Step $step): void
    {
        $leadsOn =
            $step instanceof QuestionStep &&
            array_filter($step->leads->typed(), static fn (Lead $lead): bool => $lead->then !== null) !== [];
        if ($section->isMixed && ($step instanceof CheckpointStep || $leadsOn || ($step instanceof PageStep && $step->then !== null))) {
            $this->refusals->add($step->id, 'order', 'a way on needs an order to lead along, and this section is mixed');
        }
    }

    private function ways(Rules $rules, Step $step): void
    {
        $where = match (true) {
            $rules->isAnyOrder() => 'where one moves in any order',
            $rules->sharesScreen() => 'on a screen that others share',
            default => null,
        };
        if ($where !== null && $step instanceof PageStep && $step->then !== null) {
            $this->refusals->add($step->id, 'then', "a page leads nowhere $where");
        }
        if ($where !== null && $step instanceof AskingStep && $step->leads->typed() !== []) {
            $this->refusals->add($step->id, 'leads', "choices lead nowhere $where");
        }
    }

    private function settings(Rules $rules, AskingStep $step): void
    {
        if ($rules->sharesScreen() && RulesCheck::timed($step->settings)) {
            $this->refusals->add($step->id, 'time', 'questions that share a screen cannot each have a time');
        }
        if (!$rules->tellsBeforeTheEnd() && RulesCheck::several($step->settings)) {
            $this->refusals->add($step->id, 'attempts', 'there is one attempt where nothing is told before the end');
        }
    }

    private function refresher(Rules $rules, AskingStep $step): void
    {
        if (!$step->refresher->isTyped) {
            return;
        }
        $why = match (true) {
            $rules->isAnyOrder() => 'where one moves in any order nothing leads to it',
            $rules->sharesScreen() => 'nothing leads to it from a screen that others share',
            !$rules->tellsBeforeTheEnd() => 'where nothing is told before the end nobody is sent back',
            $step->settings->get(Setting::Attempts) === 'unlimited' => 'with unlimited attempts a question never fails',
            $step instanceof QuestionStep && $step->refresher->pages === null && $this->own($step) === null => 'no page is named, and the question names none',
            default => null,
        };
        if ($why !== null) {
            $this->refusals->add($step->id, 'refresher', $why);
        }
    }

    private function own(QuestionStep $step): ?string
    {
        $question = $this->known->question($step->question);

        return $question === null ? '' : $question->settings->get(Setting::Refresher);
    }
}
