<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

/** Something in a text that cannot be taken in as it is: where, what, and what would be right. */
final readonly class Problem
{
    /** @param int $line 1-based; column 1-based, in characters */
    public function __construct(public int $line, public int $column, public string $message)
    {
    }

    /** @return array{line: int, column: int, message: string} */
    public function toData(): array
    {
        return ['line' => $this->line, 'column' => $this->column, 'message' => $this->message];
    }
}
