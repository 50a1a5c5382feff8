<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange;

/** A line of a source that belongs to no question. */
final readonly class Aside
{
    public function __construct(public int $line, public string $text)
    {
    }

    /** @return array{line: int, text: string} */
    public function toData(): array
    {
        return ['line' => $this->line, 'text' => $this->text];
    }
}
