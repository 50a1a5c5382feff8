<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Marking\Scoring\FoundScores;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question as Core;
use Zetema\Core\Question\Kinds\Common\OnNumberLine;
use Zetema\Core\Question\Scoring\Sought;

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
            'key' => $this->earns(
                fn (int $attempt) => $this->marker->markSums($this->plan, FoundScores::allRight($this->plan->scoring), $attempt),
            ),
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
        $word = $this->question->kind::id()->facts()->line;
        $ids = $this->question->kind->lineIds();
        foreach ($this->plan->scoring->criteria as $i => $criterion) {
            $id = match (true) {
                $criterion->find instanceof Sought\PartTakes => $criterion->find->part,
                $criterion->find instanceof Sought\OutsideAreas => null,
                default => ($line = $criterion->find->line() ?? [$i + 1, 0])[1] === 0 ? $ids[$line[0] - 1] ?? null : $line[1],
            };
            $earning = !$criterion->right->isZero() || $criterion->weight->isPositive() || $criterion->find instanceof Sought\InArea;
            if ($id !== null && $earning) {
                $lines[$word . ':' . $id] ??= $this->earns(
                    fn (int $attempt) => $this->marker->markSums($this->plan, FoundScores::of([$criterion]), $attempt),
                );
            }
        }

        return $lines;
    }

    /** @return list<array<string, mixed>> the spans of a number, to draw; ends as decimals or fractions */
    private function spans(): array
    {
        $kind = $this->question->kind;

        return $kind instanceof OnNumberLine ? $kind->drawn() : [];
    }

    /**
     * @param callable(int): \Zetema\Core\Marking\Verdict $mark by attempt
     *
     * @return array{outcome: string, earned: list<string>}
     */
    private function earns(callable $mark): array
    {
        $verdicts = array_map($mark, range(1, max(1, min($this->settings->attempts() ?? 3, 3))));

        return [
            'outcome' => $verdicts[0]->outcome->value,
            'earned' => array_map(static fn ($v): string => (string) $v->earned, $verdicts),
        ];
    }
}
