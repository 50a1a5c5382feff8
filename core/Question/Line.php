<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

/** One line of the text format with what hangs on it: the word that opens it, its text, the lines below it. */
final readonly class Line
{
    /**
     * @param string $word such as "yes" or "attempt costs"
     * @param array<string, string> $arguments what stands between word and colon, such as "number" => "8"
     * @param int $line 1-based; 0 for a line that is to be written
     * @param int $column 1-based, in characters, of the word
     * @param int $textColumn of the text
     * @param list<self> $below
     */
    public function __construct(
        public string $word,
        public string $text,
        public array $arguments = [],
        public array $below = [],
        public int $line = 0,
        public int $column = 1,
        public int $textColumn = 1,
        public string $head = '',
    ) {
    }

    /** @param list<self> $below */
    public static function written(string $head, string $text, array $below = []): self
    {
        return new self($head, $text, [], $below, head: $head);
    }

    /** @param list<self> $below */
    public function withBelow(array $below): self
    {
        return new self($this->word, $this->text, $this->arguments, $below, $this->line, $this->column, $this->textColumn, $this->head);
    }

    public function has(string $argument): bool
    {
        return ($this->arguments[$argument] ?? '') !== '';
    }

    public function argument(string $name): ?string
    {
        return $this->has($name) ? $this->arguments[$name] : null;
    }

    /** The number between word and colon, as in "yes 8:". */
    public function number(): ?Points
    {
        return $this->has('number') ? Points::of($this->arguments['number']) : null;
    }

    public function child(string $word): ?self
    {
        return $this->children($word)[0] ?? null;
    }

    /** @return list<self> */
    public function children(string $word): array
    {
        return array_values(array_filter($this->below, static fn (self $line): bool => $line->word === $word));
    }
}
