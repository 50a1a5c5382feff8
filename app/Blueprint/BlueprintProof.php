<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Zetema\App\Blueprint\Stored\StoredStock;
use Zetema\Core\Blueprint\Blueprint as Assessment;
use Zetema\Core\Blueprint\Check\Advice;
use Zetema\Core\Blueprint\Check\MinimumAdvice;
use Zetema\Core\Blueprint\Dealing\BlueprintDealer;
use Zetema\Core\Blueprint\Paths\ObjectiveShares;
use Zetema\Core\Blueprint\Paths\PathTotals;
use Zetema\Core\Blueprint\Paths\Span;
use Zetema\Core\Blueprint\Paths\TimeLimits;
use Zetema\Core\Blueprint\Paths\Ways;
use Zetema\Core\Blueprint\Step\CheckpointStep;
use Zetema\Core\Blueprint\Step\DrawStep;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Blueprint\Step\Step;
use Zetema\Core\Drawing\Dealer;
use Zetema\Core\Drawing\DealingPlan;
use Zetema\Core\Drawing\Proof\Proof;
use Zetema\Core\Drawing\Stock\QuestionClass;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\Setting;

/**
 * What is proved of every form of a blueprint, as its author has it: what each step and each path comes to, what cannot be dealt, whether
 * it can be passed.
 */
final readonly class BlueprintProof
{
    private const NOTHING = [
        'questions' => 0,
        'least' => '0',
        'most' => '0',
        'shortage' => null,
        'draws' => [],
        'pass' => null,
        'steps' => [],
        'paths' => ['count' => 0, 'all' => ['fewest' => 0, 'many' => 0, 'least' => '0', 'most' => '0'], 'each' => []],
        'before' => [],
        'grids' => [],
        'seconds' => null,
        'tallies' => [],
        'shares' => [],
        'advice' => [],
    ];

    private Ways $ways;
    private DealingPlan $plan;

    /**
     * @param \Closure(string): ?Question $question a fixed one, if it is whole
     * @param (\Closure(list<QuestionClass>): ?list<Question>)|null $drawn all questions of some classes; null where they are too many
     */
    public function __construct(
        private Assessment $blueprint,
        private \Closure $question,
        private ?BankSettings $bank = null,
        private ?\Closure $drawn = null,
    ) {
        $this->ways = new Ways($blueprint);
        $this->plan = BlueprintDealer::plan($blueprint);
    }

    /** @return array<string, mixed> */
    public function told(StoredStock $stock): array
    {
        try {
            $dealer = $stock->dealer($this->plan);
        } catch (NotCleared $e) {
            return ['problem' => $e->getMessage(), ...self::objects(self::NOTHING)];
        }

        return ['problem' => null, ...self::objects($this->of($dealer))];
    }

    /** @return array<string, mixed> the same of questions that are all there */
    public function of(Dealer $dealer): array
    {
        $proof = Proof::ofDealer($this->plan, $dealer);
        $draws = array_map(
            static fn (array $draw): array => [...$draw, 'least' => (string) $draw['least'], 'most' => (string) $draw['most']],
            $proof->draws,
        );
        [$asks, $steps] = $this->steps($proof, $dealer);
        $totals = PathTotals::of($this->ways, $asks);
        $paths = $totals->each === [] ? [array_keys($this->ways->steps)] : array_column($totals->each, 'places');
        $shares = new ObjectiveShares($this->ways, $dealer, $this->plan->draws());
        $limits = new TimeLimits($this->ways, $this->question, $this->bank);
        $before = $grids = [];
        foreach ($this->ways->steps as $place => [, $step]) {
            $before += $step instanceof CheckpointStep ? [$step->id => self::span($totals->before[$place])] : [];
            $grids +=
                $step instanceof CheckpointStep && $step->routes !== []
                    ? [$step->id => TallyProof::grid($step, $totals->before[$place])]
                    : [];
        }

        return [
            'questions' => $proof->questions,
            'least' => (string) $totals->all->least,
            'most' => (string) $totals->all->most,
            'shortage' => $proof->shortage === null
                    ? null
                    : [
                        'draws' => $proof->shortage->draws,
                        'ask' => $proof->shortage->ask,
                        'fit' => $proof->shortage->fit,
                        'words' => $proof->shortage->inWords(),
                    ],
            'draws' => $draws,
            'steps' => $steps,
            'paths' => [
                'count' => $totals->paths,
                'all' => self::span($totals->all),
                'each' => array_map(
                    static fn (array $path): array => [
                        'ways' => array_map(
                            static fn (array $way): array => ['step' => $way['step'], 'to' => $way['to'] + 1],
                            $path['ways'],
                        ),
                        'asks' => self::span($path['asks']),
                        'seconds' => $limits->along($path['places']),
                    ],
                    $totals->each,
                ),
            ],
            'before' => $before,
            'grids' => $grids,
            'seconds' => $limits->atMost(),
            'pass' => self::pass($this->plan, $totals->all),
            'tallies' => (new TallyProof($this->blueprint, $this->ways, $this->question, $this->drawn))->told($dealer, $totals->paths > 1),
            'shares' => $this->shares($shares, $paths),
            'advice' => [
                ...Advice::on($this->ways, $totals->before, $this->question, $this->bank),
                ...MinimumAdvice::on($this->blueprint, $shares, $paths),
            ],
        ];
    }

    /**
     * @return array{list<Span>, array<string, array<string, mixed>>} what each step asks, by its place; and those that ask, as they are
     *   told, by id
     */
    private function steps(Proof $proof, Dealer $dealer): array
    {
        $shared = $this->shared($dealer);
        $asks = $told = [];
        $d = 0;
        foreach ($this->ways->steps as [, $step]) {
            $ask = Span::nothing();
            if ($step instanceof QuestionStep) {
                $points = $step->settings->get(Setting::Points);
                $worth = $points === null ? $dealer->worthOfFixed($step->question) : Points::of($points);
                $ask = new Span(1, 1, $worth, $worth);
                $told[$step->id] = [
                    'questions' => 1,
                    'least' => (string) $worth,
                    'most' => (string) $worth,
                    'fit' => null,
                    'overlaps' => false,
                    'words' => '',
                ];
            } elseif ($step instanceof DrawStep) {
                $draw = $proof->draws[$d];
                $ask = new Span($draw['take'], $draw['take'], $draw['least'], $draw['most']);
                $told[$step->id] = [
                    'questions' => $draw['take'],
                    'least' => (string) $draw['least'],
                    'most' => (string) $draw['most'],
                    'fit' => $draw['fit'],
                    'overlaps' => isset($shared[$d]),
                    'words' => $draw['words'],
                ];
                ++$d;
            }
            $asks[] = $ask;
        }

        return [$asks, $told];
    }

    /** @return array<int, true> draws that may take what another may take, too, from 0 */
    private function shared(Dealer $dealer): array
    {
        $taken = $shared = [];
        foreach (array_keys($this->plan->draws()) as $d) {
            foreach (array_map(static fn (QuestionClass $c): string => $c->key, $dealer->pool($d)) as $key) {
                $shared += isset($taken[$key]) ? [$d => true, $taken[$key] => true] : [];
                $taken[$key] ??= $d;
            }
        }

        return $shared;
    }

    /**
     * Those that the author wishes, else those that divide what is asked.
     *
     * @param list<list<int>> $paths
     *
     * @return list<array{objective: string, least: string|null, most: string|null, wished: string|null, fits: bool}>
     */
    private function shares(ObjectiveShares $shares, array $paths): array
    {
        $wished = [];
        foreach ($this->blueprint->shares as $share) {
            $wished[$share->objective] = $share->percent;
        }
        $told = [];
        foreach (array_values(array_unique([...$shares->divided(), ...array_map(strval(...), array_keys($wished))])) as $objective) {
            $of = $shares->of($objective, $paths);
            $wish = $wished[$objective] ?? null;
            [$least, $most] =
                $of === null
                    ? [null, null]
                    : array_map(static fn (Ratio $share): Points => Points::rounded($share->multipliedBy(100), 1), $of);
            $told[] = [
                'objective' => $objective,
                'least' => $least === null ? null : (string) $least,
                'most' => $most === null ? null : (string) $most,
                'wished' => $wish === null ? null : (string) $wish,
                'fits' => $wish === null ||
                    $least === null ||
                    $most === null ||
                    ($wish->compare($least) >= 0 && $wish->compare($most) <= 0) ||
                    self::isNear($wish, $least) ||
                    self::isNear($wish, $most),
            ];
        }

        return $told;
    }

    /** Nobody wishes a share more closely than by a percent. */
    private static function isNear(Points $wished, Points $share): bool
    {
        return $wished->exact()->minus($share->exact())->abs()->compareTo(1) < 0;
    }

    /**
     * @return array{points: string, pointsMost: string, reachable: bool, percent: string|null}|null points: of the poorest form, which
     *   decides; pointsMost: of the richest
     */
    private static function pass(DealingPlan $plan, Span $all): ?array
    {
        $points = $plan->pass?->inPoints($all->least);

        return $points === null
            ? null
            : [
                'points' => $points->inWords(),
                'pointsMost' => $plan->pass->inPoints($all->most)->inWords(),
                'reachable' => !$all->most->isZero() && $points->compareTo($all->least->exact()) <= 0,
                'percent' => $all->least->isZero()
                    ? null
                    : (string) Points::rounded($points->multipliedBy(100)->dividedBy($all->least->exact()), 2),
            ];
    }

    /** @return array{fewest: int, many: int, least: string, most: string} */
    private static function span(Span $span): array
    {
        return ['fewest' => $span->fewest, 'many' => $span->many, 'least' => (string) $span->least, 'most' => (string) $span->most];
    }

    /**
     * @param array<string, mixed> $told
     *
     * @return array<string, mixed> with objects where names are keys
     */
    private static function objects(array $told): array
    {
        return [...$told, 'steps' => (object) $told['steps'], 'before' => (object) $told['before'], 'grids' => (object) $told['grids']];
    }
}
