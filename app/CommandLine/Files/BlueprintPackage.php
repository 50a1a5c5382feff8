<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Files;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Rules\Rule;
use Zetema\Core\Blueprint\Section;
use Zetema\Core\Blueprint\Step\AskingStep;
use Zetema\Core\Blueprint\Step\DrawStep;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Exchange\Qti\Unmatched;
use Zetema\Core\Exchange\Qti\Writing\WrittenSection;
use Zetema\Core\Exchange\Qti\Writing\WrittenTest;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Setting;

/** A blueprint over a list of questions, as a test of the open standard: what it can deal, and what of it the standard cannot say. */
final class BlueprintPackage
{
    /** @var array<array-key, array{Question, EffectiveSettings}> by name, in the order in which they are asked first */
    public array $questions = [];
    /** @var list<Unmatched> */
    public array $unmatched = [];
    public readonly WrittenTest $test;

    public function __construct(private readonly Blueprint $blueprint, private readonly FileBank $bank)
    {
        $sections = [];
        $pooled = [];
        $fixed = [];
        foreach ($blueprint->steps() as $i => [$section, $step]) {
            if ($step instanceof QuestionStep) {
                $fixed[] = $this->reference($step->question, $section, $step);
                continue;
            }
            if ($fixed !== []) {
                $sections[] = new WrittenSection('Questions ' . (count($sections) + 1), $fixed);
                $fixed = [];
            }
            if (!$step instanceof DrawStep) {
                $this->lost('step', sprintf('step %d', $i + 1));
                continue;
            }
            $names = array_map(static fn (EligibleQuestion $q): string => $q->id, array_values(array_filter($bank->eligible(), $step->draw->pool->fits(...))));
            if (array_intersect($names, $pooled) !== []) {
                $this->lost('pool, which overlaps another', sprintf('step %d', $i + 1));
            }
            if (array_diff_key($step->draw->pool->toData(), ['only' => true]) !== []) {
                $this->lost('pool by condition, written as a list', sprintf('step %d', $i + 1));
            }
            $pooled = [...$pooled, ...$names];
            $sections[] = new WrittenSection('Draw ' . (count($sections) + 1), array_map(fn (string $n): array => $this->reference($n, $section, $step), $names), $step->draw->take);
        }
        if ($fixed !== []) {
            $sections[] = new WrittenSection('Questions ' . (count($sections) + 1), $fixed);
        }
        foreach ($blueprint->apart as [$one, $other]) {
            $this->lost('apart', "$one, $other");
        }
        $mark = $blueprint->pass?->mark;
        $rules = $blueprint->rules;
        $this->test = new WrittenTest($blueprint->title === '' ? 'Assessment' : $blueprint->title, $sections, $rules->says(Rule::Moving) ? !$rules->isAnyOrder() : null, !$rules->says(Rule::Feedback) || $rules->tellsBeforeTheEnd(), $mark === null ? null : [(string) $mark->value, $mark->inPercent], $rules->seconds(), !$rules->flag(Rule::MustAnswer));
    }

    private function lost(string $what, string $item): void
    {
        $this->unmatched[] = new Unmatched($item, $what, 1, 'tests/assessment.xml');
    }

    /** @return array{name: string, attempts: int|null, seconds: int|null, isLateMarked: bool, weight: string|null} */
    private function reference(string $name, Section $section, AskingStep $step): array
    {
        $question = $this->bank->question($name) ?? throw new \LogicException('a blueprint names what is there');
        $bank = $this->bank->settings($question);
        $settings = $question->effective($bank, $step->settings, $section->settings, $this->blueprint->settings);
        $this->questions[$name] ??= [$question, $question->effective($bank)];
        $worth = MarkingPlan::of(...$this->questions[$name])->max()->exact();
        $points = $step->settings->get(Setting::Points) ?? ($step instanceof DrawStep ? $step->draw->points?->__toString() : null);
        $weight = $points === null || $worth->isZero() ? null : \Zetema\Core\Numbers\Ratio::of($points)->dividedBy($worth);
        $attempts = $settings->attempts();

        return [
            'name' => $name,
            'attempts' => $attempts === 1 ? null : $attempts ?? 0,
            'seconds' => $settings->seconds(),
            'isLateMarked' => $settings->get(Setting::Late) === 'marks',
            'weight' => $weight === null || $weight->isEqualTo(1) ? null : $weight->decimal() ?? (string) $weight->rounded(9)->decimal(),
        ];
    }
}
