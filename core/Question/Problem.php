<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

/** Something in a text that cannot be taken in as it is: where, what, and what would be right. */
final readonly class Problem
{
    /**
     * @param int $line 1-based; in a table the row
     * @param int $column 1-based, in characters; in a table its place
     * @param string|null $heading of a table's column
     * @param string|null $file of several that were brought as one
     */
    public function __construct(
        public int $line,
        public int $column,
        public string $message,
        public ?string $heading = null,
        public ?string $file = null,
    ) {
    }

    /** @return array{line: int, column: int, message: string, heading?: string, file?: string} */
    public function toData(): array
    {
        return [
            'line' => $this->line,
            'column' => $this->column,
            'message' => $this->message,
            ...$this->heading === null ? [] : ['heading' => $this->heading],
            ...$this->file === null ? [] : ['file' => $this->file],
        ];
    }
}
