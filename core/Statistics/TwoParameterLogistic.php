<?php

declare(strict_types=1);

namespace Zetema\Core\Statistics;

use Zetema\Core\Drawing\Chance;

/**
 * How likely a question is answered rightly by whom: 1 / (1 + e^(−a(θ − b))), a the discrimination, b the difficulty, θ the ability
 * (Birnbaum 1968).
 */
final readonly class TwoParameterLogistic
{
    public function __construct(public float $discrimination, public float $difficulty)
    {
    }

    /** Of a question nobody has sat yet: from its name and a seed, so that it is the same for all who sit it. */
    public static function ofQuestion(string $name, int $seed): self
    {
        $chance = new Chance($seed ^ crc32('question ' . $name));

        return new self(exp(0.15 + 0.35 * Normal::draw($chance)), 0.9 * Normal::draw($chance) - 0.3);
    }

    public function chance(float $ability): float
    {
        return 1 / (1 + exp(-$this->discrimination * ($ability - $this->difficulty)));
    }
}
