<?php

declare(strict_types=1);

namespace Zetema\Core\Marking;

use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Points;

/** A mark: what came of a response, what it earned of how much, and the lines of arithmetic behind it. */
final readonly class Verdict
{
    /** @param list<string> $working in an author's words */
    public function __construct(public Outcome $outcome, public Points $earned, public Points $max, public array $working)
    {
    }

    /** @return array{outcome: string, earned: string, max: string, working: list<string>} */
    public function toData(): array
    {
        return [
            'outcome' => $this->outcome->value,
            'earned' => (string) $this->earned,
            'max' => (string) $this->max,
            'working' => $this->working,
        ];
    }
}
