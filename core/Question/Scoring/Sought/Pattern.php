<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Scoring\Sought;

/** An accepted pattern: `*` any run, `?` one character. */
final readonly class Pattern extends Sought
{
    public function __construct(public int $n, public string $pattern)
    {
    }

    public function toData(): array
    {
        return ['n' => $this->n, 'pattern' => $this->pattern];
    }

    public function line(): array
    {
        return [$this->n, 0];
    }
}
