<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Marking\Scoring\FoundScores;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question as Core;

/** What a question's lines lead to: settings with their place, what each line earns on each attempt, what nothing earns. */
final readonly class QuestionMargin
{
    private Marker $marker;
    private Core\Settings\EffectiveSettings $settings;
    private MarkingPlan $plan;

    public function __construct(private Core\Question $question, Core\Settings\BankSettings $bank)
    {
        $this->marker = new Marker();
        $this->settings = $question->effective($bank);
        $this->plan = MarkingPlan::of($question, $this->settings);
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        $values = [];
        foreach (Core\Settings\Setting::cases() as $setting) {
            $value = $this->settings->get($setting);
            if ($value !== null && Core\Question::kindTakes($this->question->kind::id(), $setting, $value)) {
                $values[$setting->value] = ['value' => $value, 'from' => $this->settings->placeOf($setting)];
            }
        }

        return [
            'worth' => (string) $this->plan->scoring->worth,
            'settings' => (object) $values,
            'lines' => (object) $this->lines(),
            'key' => $this->earns(fn (int $attempt) => $this->marker->markSums($this->plan, $this->allRight(), $attempt)),
            'blank' => (string) $this->marker->mark($this->plan, Core\Response\Response::blank())->earned,
            'wrong' => (string) $this->plan->mostLostByOneWrong(),
            'keyInWords' => AnswerLine::texts($this->question->kind->keyInWords()),
            'spans' => $this->spans(),
        ];
    }

    /** @return array<string, array{outcome: string, earned: list<string>}> what each line alone earns, by the line, such as "answer:5" */
    private function lines(): array
    {
        $lines = [];
        foreach ($this->question->kind->choices() as $choice) {
            $response = Core\Response\Response::choosing([$choice->id]);
            $lines['answer:' . $choice->id] = $this->earns(fn (int $attempt) => $this->marker->mark($this->plan, $response, $attempt));
        }
        if ($lines !== []) {
            return $lines;
        }
        [$word, $ids] = $this->question->kind->lineIds();
        foreach ($this->plan->scoring->criteria as $i => $criterion) {
            $n = $criterion->find['n'] ?? $criterion->find['place'] ?? $i + 1;
            $id = $criterion->find['part'] ?? (is_int($n) ? $ids[$n - 1] ?? null : null);
            $earning = !$criterion->right->isZero() || $criterion->weight->isPositive() || ($word === 'area' && !isset($criterion->find['outside']));
            if (is_int($id) && $earning) {
                $lines[$word . ':' . $id] ??= $this->earns(fn (int $attempt) => $this->marker->markSums($this->plan, FoundScores::of([$criterion]), $attempt));
            }
        }

        return $lines;
    }

    /** @return list<array<string, mixed>> the spans of a number, to draw; ends as decimals or fractions */
    private function spans(): array
    {
        $kind = $this->question->kind;

        return $kind instanceof Core\Kinds\Number\Number
            ? array_map(static fn (Core\Answers\Span $s): array => ['words' => $s->words, ...$s->toPlan(), 'share' => (string) $s->share->exact()], $kind->spans)
            : [];
    }

    /** What a response with every right part and no wrong one finds. */
    private function allRight(): FoundScores
    {
        $scoring = $this->plan->scoring;
        if ($scoring->rule === Core\Scoring\Scoring::WEIGHTS) {
            return FoundScores::of([Core\Scoring\Criterion::weighing([], $scoring->worth)]);
        }

        return FoundScores::of([Core\Scoring\Criterion::right([], $scoring->rule === Core\Scoring\Scoring::BEST ? Ratio::one() : $scoring->need)]);
    }

    /**
     * @param callable(int): \Zetema\Core\Marking\Verdict $mark by attempt
     *
     * @return array{outcome: string, earned: list<string>}
     */
    private function earns(callable $mark): array
    {
        $verdicts = array_map($mark, range(1, max(1, min($this->settings->attempts() ?? 3, 3))));

        return ['outcome' => $verdicts[0]->outcome->value, 'earned' => array_map(static fn ($v): string => (string) $v->earned, $verdicts)];
    }
}
