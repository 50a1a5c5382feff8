<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Step;

/** What a step says about where choices lead. Where it says nothing the question's own counts. */
final readonly class LeadsHere
{
    /**
     * @param bool $dropsAll whether the question's own do not count
     * @param array<int, Lead|null> $byChoice null drops the choice's own
     */
    public function __construct(public bool $dropsAll = false, public array $byChoice = [])
    {
    }

    /** @return array<int, Lead> those that are typed here */
    public function typed(): array
    {
        return array_filter($this->byChoice);
    }

    /** Where a choice leads here, whose own page is given. */
    public function of(int $choice, ?string $own): ?Lead
    {
        if (array_key_exists($choice, $this->byChoice)) {
            return $this->byChoice[$choice];
        }

        return $this->dropsAll || $own === null ? null : new Lead($own, null);
    }
}
