<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Outcome;

/** A named count that choices add to, cut into bands. */
final readonly class Tally
{
    /** @param list<Band> $bands rising, without gap or overlap */
    public function __construct(public string $name, public array $bands = [], public TallyTold $told = TallyTold::Value)
    {
    }

    public function bandOf(int $value): ?Band
    {
        foreach ($this->bands as $band) {
            if (($band->from === null || $value >= $band->from) && ($band->to === null || $value <= $band->to)) {
                return $band;
            }
        }

        return null;
    }
}
