<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing\Proof;

/**
 * Whether draws over overlapping pools can all be served: a maximum flow from draws to groups of questions, kept up to date while
 * questions are taken. Small whatever the size of the bank. A copy goes on by itself.
 */
final class Flow
{
    /** @var array<int, array<int, int>> how many of a group are meant for each draw, by group and draw */
    private array $given = [];
    /** @var array<int, int> of each group, meant for nobody */
    private array $free = [];
    /** @var array<int, list<int>> by draw */
    private array $groupsOf = [];
    private bool $isFull = true;
    private int $served = 0;

    /**
     * @param array<int, int> $ask by draw
     * @param array<int, FitGroup> $groups
     * @param bool $counted whether it goes on once a draw cannot be served, to know how many can
     */
    public function __construct(array $ask, array $groups, bool $counted = false)
    {
        $this->groupsOf = array_fill_keys(array_keys($ask), []);
        foreach ($groups as $g => $group) {
            $this->free[$g] = $group->size;
            $this->given[$g] = [];
            foreach ($group->draws as $draw) {
                $this->groupsOf[$draw][] = $g;
            }
        }
        foreach ($ask as $draw => $wanted) {
            foreach ($this->groupsOf[$draw] as $g) {
                $n = min($wanted, $this->free[$g]);
                $this->free[$g] -= $n;
                $this->given[$g][$draw] = $n;
                $wanted -= $n;
                $this->served += $n;
            }
            for (; $wanted > 0 && ($this->isFull || $counted); --$wanted) {
                $seen = [];
                if (!$this->augment($draw, $seen)) {
                    $this->isFull = false;
                    break;
                }
                ++$this->served;
            }
        }
    }

    /** Whether all draws can be served. */
    public function isFull(): bool
    {
        return $this->isFull;
    }

    /** How many questions all draws get together. */
    public function served(): int
    {
        return $this->served;
    }

    /**
     * Takes a question of a group for a draw that still asks for some; changes nothing and says no if the rest could not be served then.
     */
    public function take(int $draw, int $group): bool
    {
        if (($this->given[$group][$draw] ?? 0) > 0) {
            --$this->given[$group][$draw];

            return true;
        }
        // What was meant for this draw elsewhere becomes free; who loses a question of this group looks for another.
        $elsewhere = $this->meantFor($draw);
        --$this->given[$elsewhere][$draw];
        ++$this->free[$elsewhere];
        if ($this->free[$group] > 0) {
            --$this->free[$group];

            return true;
        }
        foreach ($this->given[$group] as $other => $n) {
            if ($n > 0) {
                --$this->given[$group][$other];
                $seen = [];
                if ($this->augment($other, $seen)) {
                    return true;
                }
                ++$this->given[$group][$other];
                break; // a full flow would be reached from any of them
            }
        }
        --$this->free[$elsewhere];
        ++$this->given[$elsewhere][$draw];

        return false;
    }

    private function meantFor(int $draw): int
    {
        foreach ($this->groupsOf[$draw] as $g) {
            if (($this->given[$g][$draw] ?? 0) > 0) {
                return $g;
            }
        }
        throw new \LogicException('the draw asks for no more');
    }

    /** @param array<int, true> $seen groups looked at already */
    private function augment(int $draw, array &$seen): bool
    {
        foreach ($this->groupsOf[$draw] as $g) {
            if ($this->free[$g] > 0) {
                --$this->free[$g];
                $this->given[$g][$draw] = ($this->given[$g][$draw] ?? 0) + 1;

                return true;
            }
        }
        foreach ($this->groupsOf[$draw] as $g) {
            if (isset($seen[$g])) {
                continue;
            }
            $seen[$g] = true;
            foreach ($this->given[$g] as $other => $n) {
                if ($n > 0 && $other !== $draw && $this->augment($other, $seen)) {
                    --$this->given[$g][$other];
                    $this->given[$g][$draw] = ($this->given[$g][$draw] ?? 0) + 1;

                    return true;
                }
            }
        }

        return false;
    }
}
