<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing;

use Zetema\Core\Drawing\Proof\CannotDeal;
use Zetema\Core\Drawing\Proof\FitGroup;
use Zetema\Core\Drawing\Proof\Flow;
use Zetema\Core\Drawing\Proof\Shortage;
use Zetema\Core\Drawing\Proof\ShortageFinder;
use Zetema\Core\Drawing\Proof\TieredFlow;
use Zetema\Core\Drawing\Stock\QuestionClass;
use Zetema\Core\Drawing\Stock\Stock;
use Zetema\Core\Drawing\Stock\Urn;
use Zetema\Core\Question\Points;

/**
 * Deals forms: fixed questions are reserved first, no question comes twice, and a deal succeeds whenever any can.
 * Draws whose pools overlap no other are exactly uniform; the others are dealt in random order, each pick kept only if the rest can still
 * be dealt.
 * What a candidate has had before is taken last, as far as the draws allow it; among what is taken as gladly the same holds.
 * What does not change from form to form is worked out once.
 */
final class Dealer
{
    public const TRIES = 1000;

    /** @var list<Draw> */
    private readonly array $draws;
    /** @var array<string, QuestionClass> the fixed questions */
    private array $fixed = [];
    /** @var list<FitGroup> */
    private array $groups = [];
    /** @var array<int, list<int>> by draw */
    private array $groupsOf;
    /** @var array<int, true> draws whose pool has a question that another draw's pool has too */
    private array $shared = [];
    private readonly KeptApart $apart;
    private readonly Flow $flow;
    /** Of a candidate who has had some of these questions. */
    private readonly ?TieredFlow $tiered;

    private readonly DealingPlan $blueprint;

    /**
     * @throws UnknownQuestion if the blueprint names a question that is not there, or puts one in its running order that may not be dealt
     */
    public function __construct(
        private readonly DealingPlan $plan,
        private readonly Stock $stock,
        private readonly Seen $seen = new Seen(),
    ) {
        $this->blueprint = $blueprint = $plan->keepingApart($stock->apart());
        $this->draws = $blueprint->draws();
        $this->groupsOf = array_fill_keys(array_keys($this->draws), []);
        $this->apart = new KeptApart($blueprint->apart);
        $classes = $stock->classes($blueprint, $seen->ids());
        UnknownNames::refuse($blueprint, $stock, $classes);
        $this->group($classes);
        ksort($this->shared);
        $this->flow = new Flow(array_column($this->draws, 'take'), $this->groups);
        $last = max([0, ...array_map(static fn (FitGroup $group): int => $group->tier, $this->groups)]);
        $this->tiered =
            $last > 0 && $this->flow->isFull() ? new TieredFlow(array_column($this->draws, 'take'), $this->groups, $last) : null;
    }

    /** @param list<QuestionClass> $classes */
    private function group(array $classes): void
    {
        $fixed = array_flip($this->blueprint->fixed());
        $places = [];
        foreach ($classes as $class) {
            if (isset($fixed[$class->sample->id])) {
                $this->fixed[$class->sample->id] = $class;
                continue;
            }
            $draws = array_keys(array_filter($this->draws, static fn (Draw $draw): bool => $draw->pool->fits($class->sample)));
            if ($draws === []) {
                continue;
            }
            $apart = $this->apart->has($class->sample->id) ? $class->sample->id : null;
            $tier = $this->seen->tier($class->sample->id);
            $key = implode(',', $draws) . '#' . $apart . '#' . $tier;
            if (!isset($places[$key])) {
                $places[$key] = count($this->groups);
                $this->groups[] = new FitGroup($draws, $apart, $tier);
                foreach ($draws as $d) {
                    $this->groupsOf[$d][] = $places[$key];
                }
                $this->shared += count($draws) > 1 ? array_fill_keys($draws, true) : [];
            }
            $this->groups[$places[$key]]->add($class);
        }
    }

    /** @return list<QuestionClass> that a draw may take from, the fixed questions taken out; draws counted from 0 */
    public function pool(int $draw): array
    {
        return array_merge(...array_map(fn (int $g): array => $this->groups[$g]->classes, $this->groupsOf[$draw]));
    }

    /** @return list<QuestionClass> all that forms may hold, the fixed questions first */
    public function held(): array
    {
        return [
            ...array_values($this->fixed),
            ...array_merge(...array_map(static fn (FitGroup $group): array => $group->classes, $this->groups)),
        ];
    }

    /** What a fixed question counts. */
    public function worthOfFixed(string $id): Points
    {
        return $this->fixed[$id]->sample->worth;
    }

    /** @return list<string> the path of a fixed question's objective */
    public function objectiveOfFixed(string $id): array
    {
        return $this->fixed[$id]->sample->objective;
    }

    public function shortage(): ?Shortage
    {
        return $this->flow->isFull() ? null : (new ShortageFinder(array_column($this->draws, 'take'), $this->groups))->find();
    }

    /** @throws CannotDeal */
    public function deal(int $seed): Form
    {
        $shortage = $this->shortage();
        if ($shortage !== null) {
            throw CannotDeal::short($shortage);
        }
        $chance = new Chance($seed);
        for ($try = 0; $try < self::TRIES; ++$try) {
            $picked = $this->pick($chance);
            if ($picked !== null) {
                return new Form($seed, $this->inOrder($picked, $chance));
            }
        }

        // What must be kept apart goes before what was seen.
        return $this->tiered === null ? throw CannotDeal::notFound(self::TRIES) : (new self($this->plan, $this->stock))->deal($seed);
    }

    /**
     * @return array<int, list<array{int, int<0, max>}>>|null group and place in it, by draw; null if this try met what must be kept apart
     */
    private function pick(Chance $chance): ?array
    {
        $picked = array_fill_keys(array_keys($this->draws), []);
        $taken = array_fill_keys($this->blueprint->fixed(), true);
        $slots = [];
        foreach ($this->draws as $d => $draw) {
            if (isset($this->shared[$d])) {
                array_push($slots, ...array_fill(0, $draw->take, $d));
                continue;
            }
            $picked[$d] = $this->sample($d, $chance);
            foreach ($picked[$d] as [$g]) {
                $taken += $this->groups[$g]->apart === null ? [] : [$this->groups[$g]->apart => true];
            }
        }
        if ($slots !== []) {
            $usual = $this->tiered ?? $this->flow;
            $flow = clone $usual;
            $urns = [];
            foreach ($chance->shuffled($slots) as $d) {
                $one = $this->pickOne($d, $taken, $flow, $urns, $chance);
                if ($one === null) {
                    return null;
                }
                $picked[$d][] = $one;
                $apart = $this->groups[$one[0]]->apart;
                $taken += $apart === null ? [] : [$apart => true];
            }
        }

        return $this->apart->anyMeet($taken) ? null : $picked;
    }

    /** @return list<array{int, int<0, max>}> what a draw takes whose pool is its own: every set equally likely */
    private function sample(int $draw, Chance $chance): array
    {
        $picked = [];
        $wanted = $this->draws[$draw]->take;
        foreach ($this->byTier($this->groupsOf[$draw]) as $groups) {
            $urn = new Urn(max(0, array_sum(array_map(fn (int $g): int => $this->groups[$g]->size, $groups))));
            for (; $wanted > 0 && $urn->left > 0; --$wanted) {
                $place = $urn->take($chance->below(max(1, $urn->left)));
                foreach ($groups as $g) {
                    if ($place < $this->groups[$g]->size) {
                        $picked[] = [$g, max(0, $place)];
                        break;
                    }
                    $place -= $this->groups[$g]->size;
                }
            }
        }

        return $picked;
    }

    /**
     * @param list<int> $groups
     *
     * @return list<list<int>> what is taken first, first
     */
    private function byTier(array $groups): array
    {
        $tiers = [];
        foreach ($groups as $g) {
            $tiers[$this->groups[$g]->tier][] = $g;
        }
        ksort($tiers);

        return array_values($tiers);
    }

    /**
     * @param array<string, true> $taken
     * @param array<int, Urn> $urns by group
     *
     * @return array{int, int<0, max>}|null
     */
    private function pickOne(int $draw, array $taken, Flow|TieredFlow $flow, array &$urns, Chance $chance): ?array
    {
        foreach ($this->byTier($this->groupsOf[$draw]) as $groups) {
            $one = $this->pickOf($groups, $draw, $taken, $flow, $urns, $chance);
            if ($one !== null) {
                return $one;
            }
        }

        return null;
    }

    /**
     * @param list<int> $groups
     * @param array<string, true> $taken
     * @param array<int, Urn> $urns by group
     *
     * @return array{int, int<0, max>}|null
     */
    private function pickOf(array $groups, int $draw, array $taken, Flow|TieredFlow $flow, array &$urns, Chance $chance): ?array
    {
        $left = [];
        foreach ($groups as $g) {
            $apart = $this->groups[$g]->apart;
            if ($apart === null || !$this->apart->meets($apart, $taken)) {
                $left[$g] = isset($urns[$g]) ? $urns[$g]->left : $this->groups[$g]->size;
            }
        }
        $all = array_sum($left);
        while ($all > 0) {
            $place = $chance->below($all);
            foreach ($left as $g => $n) {
                if ($place < $n) {
                    if ($flow->take($draw, $g)) {
                        $urns[$g] ??= new Urn(max(0, $this->groups[$g]->size));

                        return [$g, $urns[$g]->take(max(0, $place))];
                    }
                    unset($left[$g]);
                    $all -= $n;
                    break;
                }
                $place -= $n;
            }
        }

        return null;
    }

    /**
     * @param array<int, list<array{int, int<0, max>}>> $picked
     *
     * @return list<array{id: string, step: int, worth: Points}>
     */
    private function inOrder(array $picked, Chance $chance): array
    {
        $questions = [];
        $d = 0;
        foreach ($this->blueprint->steps as $s => $step) {
            if (is_string($step)) {
                $questions[] = ['id' => $step, 'step' => $s + 1, 'worth' => $this->worthOfFixed($step)];
                continue;
            }
            foreach ($chance->shuffled($picked[$d++]) as [$g, $place]) {
                [$class, $n] = $this->groups[$g]->at($place);
                $questions[] = ['id' => $this->stock->idOf($class, $n), 'step' => $s + 1, 'worth' => $step->worthOf($class->sample)];
            }
        }

        return $questions;
    }
}
