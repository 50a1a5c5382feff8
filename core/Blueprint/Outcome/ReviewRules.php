<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Outcome;

/** Up to which rung an ended sitting is shown: at once, and once the assessment has closed. */
final readonly class ReviewRules
{
    /**
     * @param list<array{rung: Rung, closed: bool}> $passed who passed sees; closed: only then
     * @param list<array{rung: Rung, closed: bool}> $notPassed
     */
    public function __construct(public array $passed = [], public array $notPassed = [])
    {
    }

    public function rung(?bool $passed, bool $isClosed): Rung
    {
        $highest = Rung::Nothing;
        foreach ($passed === false ? $this->notPassed : $this->passed as ['rung' => $rung, 'closed' => $closed]) {
            if (($isClosed || !$closed) && $rung->includes($highest)) {
                $highest = $rung;
            }
        }

        return $highest;
    }
}
