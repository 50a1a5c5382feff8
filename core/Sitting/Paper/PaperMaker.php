<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Paper;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Dealing\DealtForm;
use Zetema\Core\Blueprint\Dealing\DealtStep;
use Zetema\Core\Blueprint\Plain\PlainBlueprint;
use Zetema\Core\Blueprint\Plain\PlainRules;
use Zetema\Core\Blueprint\Reading\VersionOne;
use Zetema\Core\Blueprint\Rules\Rules;
use Zetema\Core\Blueprint\Section;
use Zetema\Core\Blueprint\Step\AskingStep;
use Zetema\Core\Blueprint\Step\CheckpointStep;
use Zetema\Core\Blueprint\Step\DrawStep;
use Zetema\Core\Blueprint\Step\Lead;
use Zetema\Core\Blueprint\Step\PageStep;
use Zetema\Core\Blueprint\Step\Step;
use Zetema\Core\Drawing\PassMark;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Setting;

/** Makes papers of a blueprint's forms. What does not change from form to form is put together once. */
final class PaperMaker
{
    /** @var array<string, Step> */
    private array $steps = [];
    /** @var array<string, array{Section, Rules}> sections and what holds in them */
    private array $sections = [];
    /** @var array<string, QuestionPlace> as made before, by place and section */
    private array $made = [];

    /** @param \Closure(string): array{Question, BankSettings|null} $question by its id, with what its bank sets */
    public function __construct(private readonly Blueprint $blueprint, private readonly \Closure $question)
    {
        foreach ($blueprint->sections as $section) {
            $this->sections[$section->id] = [$section, $blueprint->rulesIn($section)];
            foreach ($section->steps as $step) {
                $this->steps[$step->id] = $step;
            }
        }
    }

    /**
     * A paper of some questions in their order, as of a blueprint that has no draws; their places are called 1, 2, and so on.
     *
     * @param list<Question> $questions
     * @param array<int, list<int>> $orders of their lists, by place in the list; missing: as written
     */
    public static function ofQuestions(
        array $questions,
        PlainRules $rules,
        ?PassMark $pass = null,
        ?BankSettings $bank = null,
        array $orders = [],
    ): Paper {
        $steps = $dealt = [];
        foreach (array_keys($questions) as $i) {
            $id = (string) ($i + 1);
            $steps[] = ['id' => $id, 'question' => "q$i"];
            $dealt[] = new DealtStep($id, "q$i", $id, $orders[$i] ?? []);
        }
        $blueprint = PlainBlueprint::ofSteps('', $steps, $rules, $pass);

        return (new self($blueprint, static fn (string $id): array => [$questions[(int) substr($id, 1)], $bank]))->paper(
            new DealtForm(0, [['section' => VersionOne::SECTION, 'steps' => $dealt]]),
        );
    }

    public function paper(DealtForm $form): Paper
    {
        $nodes = [];
        $sections = [];
        $begins = [];
        $orders = [];
        $stretch = 0;
        foreach ($form->sections as $s => ['section' => $id, 'steps' => $steps]) {
            [$section, $rules] = $this->sections[$id];
            $sections[] = new PaperSection($id, $section->title, $section->seconds, count($nodes));
            $shared = [];
            foreach ([...$steps, null] as $dealt) {
                $place = $dealt === null ? null : $this->place($dealt, $s, $id);
                if ($shared !== [] && !($rules->sharesScreen() && ($place instanceof PagePlace || $place instanceof QuestionPlace))) {
                    $nodes[] = self::screen($shared, $s, $rules, $sections, $nodes, $stretch);
                    $shared = [];
                }
                if ($dealt !== null && $place !== null) {
                    $begins[$dealt->at] ??= count($nodes);
                    $orders[$place->id] = $dealt->order;
                }
                if ($place instanceof CheckpointPlace) {
                    $nodes[] = $place;
                } elseif ($place instanceof PagePlace || $place instanceof QuestionPlace) {
                    $shared[] = $place;
                }
            }
        }

        return new Paper($this->blueprint, $sections, $nodes, $begins, $orders, $form->seed);
    }

    /**
     * One stretch is what can be moved in freely: screens of sections in any order, without a checkpoint between; a section with a time is
     * one by itself.
     *
     * @param non-empty-list<PagePlace|QuestionPlace> $places
     * @param list<PaperSection> $sections up to this one
     * @param list<Screen|CheckpointPlace> $nodes before it
     */
    private static function screen(array $places, int $s, Rules $rules, array $sections, array $nodes, int &$stretch): Screen
    {
        $before = $nodes === [] ? null : $nodes[count($nodes) - 1];
        $goesOn =
            $rules->isAnyOrder() &&
            $before instanceof Screen &&
            $before->isAnyOrder &&
            ($before->section === $s || ($sections[$s]->seconds === null && $sections[$before->section]->seconds === null));
        $stretch += $goesOn ? 0 : 1;

        return new Screen($places, $s, $rules->isAnyOrder(), $rules->sharesScreen(), $stretch);
    }

    private function place(DealtStep $dealt, int $s, string $section): Place
    {
        $step = $this->steps[$dealt->step];

        return match (true) {
            $step instanceof PageStep => new PagePlace($step->id, $s, $step->page, $step->then),
            $step instanceof CheckpointStep => new CheckpointPlace($s, $step),
            $step instanceof AskingStep && $dealt->question !== null => ($this->made[
                $step->id . "\n" . $dealt->question . "\n" . $s
            ] ??= $this->question($step, $dealt->question, $s, $section)),
            default => throw new \LogicException('a step that asks has a question'),
        };
    }

    private function question(AskingStep $step, string $name, int $s, string $section): QuestionPlace
    {
        [$of, $rules] = $this->sections[$section];
        [$question, $bank] = ($this->question)($name);
        $question = $question->saying($bank?->wordingFor($question->kind::id()) ?? []);
        $settings = $question->effective($bank, $step->settings, $of->settings, $this->blueprint->settings);
        $attempts = $rules->tellsBeforeTheEnd() ? $settings->attempts() : 1;

        return new QuestionPlace(
            $step instanceof DrawStep ? $step->placeOf($name) : $step->id,
            $s,
            $step->id,
            $name,
            $question,
            $settings,
            MarkingPlan::of($question, $settings),
            $step->rules->over($rules),
            $attempts,
            $rules->sharesScreen() ? null : $settings->seconds(),
            $attempts === null ? null : self::refresher($step, $rules, $settings),
            self::leads($step, $rules, $question),
        );
    }

    /** What only a question itself says and cannot hold here is left aside. */
    private static function refresher(AskingStep $step, Rules $rules, EffectiveSettings $settings): ?Refresher
    {
        $pages =
            $rules->isAnyOrder() || $rules->sharesScreen() || !$rules->tellsBeforeTheEnd()
                ? []
                : $step->refresher->pagesFor($settings->get(Setting::Refresher));
        $rule = $step->refresher->rule->over($rules->refresher);

        return $pages === []
            ? null
            : new Refresher($pages, $rule->mostRounds(), $rule->standing(), $rule->clockRunsOn === true, $rule->timeAfresh === true);
    }

    /** @return array<int, Lead> */
    private static function leads(AskingStep $step, Rules $rules, Question $question): array
    {
        if ($rules->isAnyOrder() || $rules->sharesScreen()) {
            return [];
        }
        $leads = $step->leads->typed();
        foreach ($question->kind->choices() as $choice) {
            $lead = $step->leads->of($choice->id, $choice->leadsTo);
            $leads += $lead === null ? [] : [$choice->id => $lead];
        }

        return $leads;
    }
}
