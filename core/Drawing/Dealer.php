<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing;

/**
 * Deals forms: fixed questions are reserved first, no question comes twice, and a deal succeeds whenever any can.
 * Draws whose pools overlap no other are exactly uniform; the others are dealt in random order, each pick kept only if the rest can still be dealt.
 */
final class Dealer
{
    public const TRIES = 1000;

    /** @var array<string, EligibleQuestion> */
    private array $byId = [];
    /** @var list<Draw> */
    private array $draws;
    /** @var array<string, list<int>> draws that each free question fits */
    private array $fits = [];
    /** @var array<int, list<string>> free questions of each draw's pool */
    private array $pools = [];
    /** @var array<string, array<string, true>> */
    private array $apart = [];

    /**
     * @param list<EligibleQuestion> $eligible those that may be dealt
     * @param list<string> $known ids of questions that are there but may not be dealt: where a pool names one, it does not fit
     *
     * @throws UnknownQuestion if the blueprint names a question that is not there, or puts one in its running order that may not be dealt
     */
    public function __construct(private readonly Blueprint $blueprint, array $eligible, array $known = [])
    {
        foreach ($eligible as $question) {
            $this->byId[$question->id] = $question;
        }
        $this->draws = $blueprint->draws();
        $this->refuseUnknown(array_flip($known));
        $fixed = array_flip($blueprint->fixed());
        foreach ($this->draws as $d => $draw) {
            $this->pools[$d] = [];
        }
        foreach ($eligible as $question) {
            if (isset($fixed[$question->id])) {
                continue;
            }
            $draws = array_keys(array_filter($this->draws, static fn (Draw $draw): bool => $draw->pool->fits($question)));
            if ($draws !== []) {
                $this->fits[$question->id] = $draws;
                foreach ($draws as $d) {
                    $this->pools[$d][] = $question->id;
                }
            }
        }
        foreach ($blueprint->apart as [$a, $b]) {
            $this->apart[$a][$b] = $this->apart[$b][$a] = true;
        }
    }

    /** @return array<int, list<string>> ids in each draw's pool, fixed questions taken out; draws counted from 0 */
    public function pools(): array
    {
        return $this->pools;
    }

    public function shortage(): ?Shortage
    {
        return $this->assignment()->shortage();
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
        throw CannotDeal::notFound(self::TRIES);
    }

    /** @return array<int, list<string>>|null ids by draw; null if this try met what must be kept apart */
    private function pick(Chance $chance): ?array
    {
        $picked = array_fill_keys(array_keys($this->draws), []);
        $shared = $this->sharing();
        $taken = array_fill_keys($this->blueprint->fixed(), true);
        foreach ($this->draws as $d => $draw) {
            if (!isset($shared[$d])) {
                $picked[$d] = $chance->sample($this->pools[$d], $draw->take);
                $taken += array_fill_keys($picked[$d], true);
            }
        }
        $slots = [];
        foreach (array_keys($shared) as $d) {
            array_push($slots, ...array_fill(0, $this->draws[$d]->take, $d));
        }
        $assignment = $this->assignment();
        foreach ($chance->shuffled($slots) as $d) {
            $id = $this->pickOne($d, $taken, $assignment, $chance);
            if ($id === null) {
                return null;
            }
            $picked[$d][] = $id;
            $taken[$id] = true;
        }

        return $this->meets($taken) ? null : $picked;
    }

    /** @param array<string, true> $taken */
    private function pickOne(int $draw, array $taken, Assignment $assignment, Chance $chance): ?string
    {
        $refused = [];
        $pool = array_values(array_filter($this->pools[$draw], fn (string $id): bool => !isset($taken[$id]) && !$this->meetsOne($id, $taken)));
        while ($pool !== []) {
            $i = $chance->below(count($pool));
            $fits = $this->fits[$pool[$i]];
            $class = implode(',', $fits);
            if (!isset($refused[$class])) {
                $assignment->take($draw, $fits);
                if ($assignment->isFeasible()) {
                    return $pool[$i];
                }
                $assignment->giveBack($draw, $fits);
                $refused[$class] = true;
            }
            array_splice($pool, $i, 1);
        }

        return null;
    }

    /** @return array<int, true> draws whose pool has a question that another draw's pool has too */
    private function sharing(): array
    {
        $shared = [];
        foreach ($this->fits as $draws) {
            if (count($draws) > 1) {
                $shared += array_fill_keys($draws, true);
            }
        }
        ksort($shared);

        return $shared;
    }

    /** @param array<string, true> $taken */
    private function meetsOne(string $id, array $taken): bool
    {
        return array_intersect_key($this->apart[$id] ?? [], $taken) !== [];
    }

    /** @param array<string, true> $taken */
    private function meets(array $taken): bool
    {
        foreach (array_keys($this->apart) as $id) {
            if (isset($taken[$id]) && $this->meetsOne($id, $taken)) {
                return true;
            }
        }

        return false;
    }

    private function assignment(): Assignment
    {
        return new Assignment(array_map(static fn (Draw $draw): int => $draw->take, $this->draws), $this->fits);
    }

    /**
     * @param array<int, list<string>> $picked
     *
     * @return list<array{id: string, step: int, worth: \Zetema\Core\Question\Points}>
     */
    private function inOrder(array $picked, Chance $chance): array
    {
        $questions = [];
        $d = 0;
        foreach ($this->blueprint->steps as $s => $step) {
            if (is_string($step)) {
                $questions[] = ['id' => $step, 'step' => $s + 1, 'worth' => $this->byId[$step]->worth];
                continue;
            }
            foreach ($chance->shuffled($picked[$d++]) as $id) {
                $questions[] = ['id' => $id, 'step' => $s + 1, 'worth' => $step->worthOf($this->byId[$id])];
            }
        }

        return $questions;
    }

    /** @param array<string, int> $known */
    private function refuseUnknown(array $known): void
    {
        $fixed = array_filter($this->blueprint->fixed(), fn (string $id): bool => !isset($this->byId[$id]));
        $named = array_filter($this->blueprint->named(), fn (string $id): bool => !isset($this->byId[$id]) && !isset($known[$id]));
        $missing = [...array_values($fixed), ...array_values($named)];
        if ($missing !== []) {
            throw new UnknownQuestion($missing);
        }
    }
}
