<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Out;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Rules\Rule;
use Zetema\Core\Blueprint\Section;
use Zetema\Core\Blueprint\Step\AskingStep;
use Zetema\Core\Blueprint\Step\CheckpointStep;
use Zetema\Core\Blueprint\Step\DrawStep;
use Zetema\Core\Blueprint\Step\PageStep;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Blueprint\Step\Step;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Exchange\Qti\Items\ItemReader;
use Zetema\Core\Exchange\Qti\Unmatched;
use Zetema\Core\Exchange\Qti\Writing\WrittenSection;
use Zetema\Core\Exchange\Qti\Writing\WrittenTest;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Late;
use Zetema\Core\Question\Settings\Setting;

/** A blueprint as a test of the open standard: what it can deal, and what of it the standard cannot say. */
final class WrittenAssessment
{
    /** @var array<array-key, array{Question, EffectiveSettings}> by name, in the order in which they are asked first */
    public array $questions = [];
    /** @var list<Unmatched> */
    public array $unmatched = [];
    public readonly WrittenTest $test;

    /** @var list<OpenSection> */
    private array $open = [];
    /** @var array<string, string> identifiers of what begins at a step or section, by its id */
    private array $begins = [];
    /** @var list<string> questions in pools so far */
    private array $pooled = [];

    /**
     * @param list<EligibleQuestion> $eligible that a form may hold
     * @param \Closure(string): array{Question, BankSettings|null} $question by the name that the blueprint has for it
     * @param \Closure(string): ?Page $page by its name
     */
    public function __construct(
        private readonly Blueprint $blueprint,
        private readonly array $eligible,
        private readonly \Closure $question,
        private readonly \Closure $page,
    ) {
        $targets = array_fill_keys(WrittenWays::targets($blueprint), true);
        $number = 0;
        $ways = [];
        foreach ($blueprint->sections as $section) {
            $isFirst = true;
            foreach ($section->steps as $step) {
                ++$number;
                if ($step instanceof CheckpointStep) {
                    $ways[] = [$step, count($this->open), $number];
                    $this->close();
                    continue;
                }
                if ($isFirst || isset($targets[$step->id])) {
                    $this->close();
                }
                $this->step($section, $step, $number);
                $this->begins += [$step->id => $this->identifier(), ...$isFirst ? [$section->id => $this->identifier()] : []];
                $isFirst = false;
            }
        }
        foreach ($ways as [$step, $at, $number]) {
            $this->ways($step, $at, $number);
        }
        $this->lostBeside();
        $this->test = $this->test($ways !== []);
    }

    private function test(bool $hasWays): WrittenTest
    {
        $rules = $this->blueprint->rules;
        $mark = $this->blueprint->pass?->mark;
        $closing = [];
        foreach (
            array_filter(
                ['passed' => $this->blueprint->closing->passed, 'notPassed' => $this->blueprint->closing->notPassed],
                is_string(...),
            ) as $when => $name
        ) {
            $page = ($this->page)($name);
            if ($mark === null || $page === null) {
                $this->lost('closing page', $name);
            } else {
                $closing[$when] = $page;
            }
        }

        return new WrittenTest(
            $this->blueprint->title === '' ? 'Assessment' : $this->blueprint->title,
            $this->sections(),
            $rules->says(Rule::Moving) ? !$rules->isAnyOrder() : ($hasWays ? true : null),
            !$rules->says(Rule::Feedback) || $rules->tellsBeforeTheEnd(),
            $mark === null ? null : [(string) $mark->value, $mark->inPercent],
            $rules->seconds(),
            !$rules->flag(Rule::MustAnswer),
            $closing,
        );
    }

    /** @return list<WrittenSection> those of a section with a time, or of mixed draws, within one */
    private function sections(): array
    {
        $sections = [];
        foreach ($this->blueprint->sections as $section) {
            $own = array_values(array_filter($this->open, static fn (OpenSection $o): bool => $o->of === $section));
            $isMixed = $own !== [] && array_filter($own, static fn (OpenSection $o): bool => !$o->isMixed) === [];
            foreach ($isMixed ? [] : array_filter($own, static fn (OpenSection $o): bool => $o->isMixed) as $one) {
                $this->lost('place: mixed, beside what is not', $one->title);
            }
            $written = array_map(static fn (OpenSection $o): WrittenSection => $o->written($isMixed), $own);
            if ($written === [] || (!$isMixed && $section->seconds === null)) {
                array_push($sections, ...$written);
            } else {
                $title = $section->title === '' ? 'Part ' . (count($sections) + 1) : $section->title;
                $sections[] = new WrittenSection(
                    $title,
                    [],
                    identifier: 'part-' . (count($sections) + 1),
                    within: $written,
                    seconds: $section->seconds,
                    isMixed: $isMixed,
                );
            }
        }

        return $sections;
    }

    private function identifier(): string
    {
        $last = count($this->open);

        return $this->open[$last - 1]->identifier ?? "S$last";
    }

    /** What comes next begins a section of its own. */
    private function close(): void
    {
        $last = array_key_last($this->open);
        if ($last !== null) {
            $this->open[$last]->isOpen = false;
        }
    }

    private function step(Section $section, Step $step, int $number): void
    {
        $last = $this->open[count($this->open) - 1] ?? null;
        if ($step instanceof PageStep) {
            $page = ($this->page)($step->page);
            if ($step->then !== null || $page?->heading !== null) {
                $this->lost($step->then !== null ? 'then' : 'heading', $step->page);
            }
            $this->open[] = new OpenSection($section, $step->page, $this->freeIdentifier($step->page), $page->reads ?? '');
        } elseif ($step instanceof QuestionStep) {
            if ($last === null || !$last->isOpen || $last->take !== null) {
                $this->open[] = $last = new OpenSection($section, 'Questions ' . (count($this->open) + 1));
            }
            $last->items[] = $this->reference($step->question, $section, $step);
        } elseif ($step instanceof DrawStep) {
            if ($last === null || !$last->isOpen || $last->items !== []) {
                $this->open[] = $last = new OpenSection($section, 'Draw ' . (count($this->open) + 1));
            }
            $this->draw($last, $section, $step, $number);
        }
    }

    private function draw(OpenSection $open, Section $section, DrawStep $step, int $number): void
    {
        $names = array_map(
            static fn (EligibleQuestion $q): string => $q->id,
            array_values(array_filter($this->eligible, $step->draw->pool->fits(...))),
        );
        if (array_intersect($names, $this->pooled) !== []) {
            $this->lost('pool, which overlaps another', "step $number");
        }
        if (array_diff_key($step->draw->pool->toData(), ['only' => true]) !== []) {
            $this->lost('pool by condition, written as a list', "step $number");
        }
        $this->pooled = [...$this->pooled, ...$names];
        $open->items = array_map(fn (string $n): array => $this->reference($n, $section, $step), $names);
        $open->take = $step->draw->take;
        $open->isMixed = $step->isMixed;
        $open->isOpen = false;
    }

    private function ways(CheckpointStep $step, int $at, int $number): void
    {
        $next = $this->open[$at] ?? null;
        $before = WrittenWays::before($step);
        // What comes next is passed over as a whole only where it is led to what follows it.
        $after = isset($this->open[$at + 1]) ? $this->open[$at + 1]->identifier ?? 'S' . ($at + 2) : null;
        $isAround =
            $step->otherwise === Blueprint::END
                ? $after === null
                : $after !== null && ($this->begins[$step->otherwise] ?? null) === $after;
        $routes = WrittenWays::after($step, fn (string $id): ?string => $this->begins[$id] ?? null);
        if ($routes !== null && $at > 0) {
            array_push($this->open[$at - 1]->routes, ...$routes);
        } elseif ($before !== null && $next !== null && $isAround) {
            array_push($next->routes, ...$before);
        } else {
            $this->lost('checkpoint', "step $number");
        }
    }

    private function lostBeside(): void
    {
        foreach ($this->blueprint->apart as $pair) {
            $this->lost('apart', implode(', ', array_map($this->called(...), $pair)));
        }
        foreach ($this->blueprint->tallies as $tally) {
            $this->lost('tally', $tally->name);
        }
        foreach ($this->blueprint->pass->minimums ?? [] as $minimum) {
            $this->lost('minimum', $minimum->objective);
        }
        if ($this->blueprint->opening !== null) {
            $this->lost('opening page', $this->blueprint->opening);
        }
        if ($this->blueprint->closing->noPassMark !== null) {
            $this->lost('closing page', $this->blueprint->closing->noPassMark);
        }
    }

    private function lost(string $what, string $item): void
    {
        $this->unmatched[] = new Unmatched($item, $what, 1, 'tests/assessment.xml');
    }

    private function called(string $name): string
    {
        return ($this->question)($name)[0]->name ?? $name;
    }

    private function freeIdentifier(string $name): string
    {
        $identifier = $free = ItemReader::identifierOf($name);
        for ($n = 2; in_array($free, $this->begins, true); ++$n) {
            $free = "$identifier-$n";
        }

        return $free;
    }

    /** @return array{name: string, attempts: int|null, seconds: int|null, isLateMarked: bool, weight: string|null} */
    private function reference(string $name, Section $section, AskingStep $step): array
    {
        [$question, $bank] = ($this->question)($name);
        $settings = $question->effective($bank, $step->settings, $section->settings, $this->blueprint->settings);
        $this->questions[$name] ??= [$question, $question->effective($bank)];
        $worth = MarkingPlan::of(...$this->questions[$name])->max()->exact();
        $points = $step->settings->get(Setting::Points) ?? ($step instanceof DrawStep ? $step->draw->points?->__toString() : null);
        $weight = $points === null || $worth->isZero() ? null : Ratio::of($points)->dividedBy($worth);
        $attempts = $settings->attempts();

        return [
            'name' => $name,
            'attempts' => $attempts === 1 ? null : $attempts ?? 0,
            'seconds' => $settings->seconds(),
            'isLateMarked' => $settings->late() === Late::Marks,
            'weight' => $weight === null || $weight->isEqualTo(1) ? null : $weight->decimal() ?? (string) $weight->rounded(9)->decimal(),
        ];
    }
}
