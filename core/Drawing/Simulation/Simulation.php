<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing\Simulation;

use Zetema\Core\Drawing\Dealer;
use Zetema\Core\Drawing\DealingPlan;
use Zetema\Core\Drawing\Form;
use Zetema\Core\Drawing\Proof\CannotDeal;
use Zetema\Core\Drawing\Stock\QuestionClass;
use Zetema\Core\Drawing\Stock\Stock;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;

/**
 * Many forms of one blueprint, counted: how often each question is seen, what forms are worth, what they ask of each objective, kind and
 * difficulty, and what two of them share.
 */
final class Simulation
{
    private readonly NumberedStock $stock;
    private readonly Dealer $dealer;
    private int $forms = 0;
    /** @var array<string, int> how often a question was dealt */
    private array $seen = [];
    /** @var array<int, array<string, int>> the same by the step that dealt it, from 1 */
    private array $seenByStep = [];
    /** @var array<array-key, int> forms by their worth */
    private array $worths = [];
    /** @var array<string, Tallied> by "objective", "kind" and "difficulty" and the word */
    private array $asked = [];
    /** @var array<int, int> pairs of forms by how many questions they share */
    private array $shared = [];
    private ?Form $last = null;

    /** @throws CannotDeal if no form can be dealt */
    public function __construct(private readonly DealingPlan $plan, Stock $stock)
    {
        $this->stock = new NumberedStock($stock);
        $this->dealer = new Dealer($plan, $this->stock);
        $shortage = $this->dealer->shortage();
        if ($shortage !== null) {
            throw CannotDeal::short($shortage);
        }
    }

    /** @throws CannotDeal if what must be kept apart was met again and again */
    public function deal(int $seed): void
    {
        $form = $this->dealer->deal($seed);
        ++$this->forms;
        $asked = [];
        foreach ($form->questions as $question) {
            $id = $question['id'];
            $this->seen[$id] = ($this->seen[$id] ?? 0) + 1;
            $this->seenByStep[$question['step']][$id] = ($this->seenByStep[$question['step']][$id] ?? 0) + 1;
            $of = $this->stock->classOf($id)->sample;
            $words = ['objective' => $of->objective[0] ?? '', 'kind' => $of->kind, 'difficulty' => $of->difficulty ?? 'not said'];
            foreach ($words as $what => $word) {
                $asked["$what $word"] = ($asked["$what $word"] ?? 0) + 1;
            }
        }
        foreach ($asked as $what => $n) {
            $this->asked[$what] ??= new Tallied();
            $this->asked[$what]->add($n);
        }
        $points = (string) $form->points();
        $this->worths[$points] = ($this->worths[$points] ?? 0) + 1;
        if ($this->last !== null) {
            $n = count(array_intersect_key(array_flip($form->ids()), array_flip($this->last->ids())));
            $this->shared[$n] = ($this->shared[$n] ?? 0) + 1;
        }
        $this->last = $form;
    }

    public function forms(): int
    {
        return $this->forms;
    }

    /** @return array<string, int> how often each question was dealt, by what its stock calls it; the most first */
    public function exposure(?int $most = null): array
    {
        $seen = $this->seen;
        arsort($seen);
        $told = [];
        foreach ($most === null ? $seen : array_slice($seen, 0, $most) as $id => $n) {
            $told[$this->stock->own($id)] = $n;
        }

        return $told;
    }

    /** @return array<string, mixed> plain numbers and lists, for a report: worths and numbers of questions rise */
    public function toData(): array
    {
        $pool = array_sum(array_map(static fn (QuestionClass $c): int => $c->count, $this->dealer->held()));
        ksort($this->shared);
        ksort($this->asked, SORT_NATURAL);

        return [
            'forms' => $this->forms,
            'pool' => $pool,
            'unseen' => $pool - count($this->seen),
            'exposure' => $this->spread(),
            'steps' => $this->bySteps(),
            'worths' => $this->worths(),
            'asked' => array_map(
                fn (string $what, Tallied $t): array => [
                    'what' => strtok($what, ' '),
                    'word' => substr($what, (int) strpos($what, ' ') + 1),
                    ...$t->told($this->forms),
                ],
                array_map(strval(...), array_keys($this->asked)),
                array_values($this->asked),
            ),
            'overlap' => [
                'mean' => self::mean($this->shared),
                'pairs' => array_map(
                    static fn (int $n, int $pairs): array => ['shared' => $n, 'pairs' => $pairs],
                    array_keys($this->shared),
                    array_values($this->shared),
                ),
            ],
        ];
    }

    /** @return list<array{percent: int, questions: int}> how many questions are seen by so many percent of the forms, cut to a whole one */
    private function spread(): array
    {
        $spread = [];
        foreach ($this->seen as $n) {
            $percent = intdiv(100 * $n, max(1, $this->forms));
            $spread[$percent] = ($spread[$percent] ?? 0) + 1;
        }
        ksort($spread);

        return array_map(
            static fn (int $percent, int $n): array => ['percent' => $percent, 'questions' => $n],
            array_keys($spread),
            array_values($spread),
        );
    }

    /** @return list<array{step: int, take: int, fit: int, least: int, most: int}> how often the questions of each draw were dealt by it */
    private function bySteps(): array
    {
        $steps = [];
        $d = 0;
        foreach ($this->plan->steps as $i => $step) {
            if (!is_string($step)) {
                $fit = array_sum(array_map(static fn (QuestionClass $c): int => $c->count, $this->dealer->pool($d++)));
                $seen = $this->seenByStep[$i + 1] ?? [];
                $steps[] = [
                    'step' => $i + 1,
                    'take' => $step->take,
                    'fit' => $fit,
                    'least' => count($seen) < $fit ? 0 : ($seen === [] ? 0 : min($seen)),
                    'most' => $seen === [] ? 0 : max($seen),
                ];
            }
        }

        return $steps;
    }

    /** @return list<array{points: string, forms: int}> */
    private function worths(): array
    {
        $worths = array_map(
            static fn (string $points, int $n): array => ['points' => $points, 'forms' => $n],
            array_map(strval(...), array_keys($this->worths)),
            array_values($this->worths),
        );
        usort($worths, static fn (array $a, array $b): int => Points::of($a['points'])->compare(Points::of($b['points'])));

        return $worths;
    }

    /** @param array<int, int> $counts how often each number came */
    public static function mean(array $counts): string
    {
        $sum = array_sum(array_map(static fn (int $n, int $times): int => $n * $times, array_keys($counts), array_values($counts)));

        return (string) Ratio::of($sum)->dividedBy(max(1, array_sum($counts)))->rounded(4)->decimal();
    }
}
