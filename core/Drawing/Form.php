<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing;

use Zetema\Core\Question\Points;

/** One paper dealt from a blueprint: the questions in their order, with what each is worth in it. */
final readonly class Form
{
    /**
     * @param list<array{id: string, step: int, worth: Points}> $questions step: 1-based place in the blueprint's running order
     */
    public function __construct(public int $seed, public array $questions)
    {
    }

    /** @return list<string> */
    public function ids(): array
    {
        return array_column($this->questions, 'id');
    }

    public function points(): Points
    {
        return array_reduce($this->questions, static fn (Points $sum, array $q): Points => $sum->plus($q['worth']), Points::zero());
    }
}
