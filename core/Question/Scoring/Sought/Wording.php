<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Scoring\Sought;

/** An accepted wording, of the question or of one of its parts. */
final readonly class Wording extends Sought
{
    /** @param int $part 0: of the question itself */
    public function __construct(public int $n, public string $wording, public int $part = 0)
    {
    }

    public function toData(): array
    {
        return [...$this->part === 0 ? [] : ['part' => $this->part], 'n' => $this->n, 'wording' => $this->wording];
    }

    public function line(): array
    {
        return [$this->n, $this->part];
    }
}
