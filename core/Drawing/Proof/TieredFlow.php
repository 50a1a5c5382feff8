<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing\Proof;

/**
 * Whether draws over overlapping pools can all be served with as few seen questions as there can be, and of those the ones seen
 * longest ago. What fits the draws is a transversal matroid, so a form is best exactly if it holds, of the tiers up to each, as many
 * questions as any form could (its rank); a pick is right exactly if it leaves every one of these ranks within reach.
 */
final class TieredFlow
{
    /** @var non-empty-list<int> at best so many of the tiers up to each */
    private array $ranks;

    /**
     * @param array<int, int> $asks by draw
     * @param array<int, FitGroup> $groups
     * @param int $last the last tier
     */
    public function __construct(private array $asks, private array $groups, private readonly int $last)
    {
        $this->groups = array_map(static fn (FitGroup $group): FitGroup => clone $group, $groups);
        $this->ranks = $this->ranks();
    }

    public function __clone()
    {
        $this->groups = array_map(static fn (FitGroup $group): FitGroup => clone $group, $this->groups);
    }

    /** Takes a question of a group for a draw that still asks for some; changes nothing and says no if no best form has it there. */
    public function take(int $draw, int $group): bool
    {
        --$this->asks[$draw];
        --$this->groups[$group]->size;
        $ranks = $this->ranks();
        foreach ($ranks as $tier => $rank) {
            if ($rank !== $this->ranks[$tier] - ($this->groups[$group]->tier <= $tier ? 1 : 0)) {
                ++$this->asks[$draw];
                ++$this->groups[$group]->size;

                return false;
            }
        }
        $this->ranks = $ranks;

        return true;
    }

    /** @return non-empty-list<int> */
    private function ranks(): array
    {
        return array_map(
            fn (int $tier): int => (new Flow(
                $this->asks,
                array_filter($this->groups, static fn (FitGroup $group): bool => $group->tier <= $tier),
                counted: true,
            ))->served(),
            range(0, max(0, $this->last)),
        );
    }
}
