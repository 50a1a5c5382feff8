<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds;

/** A word of the text format that opens a line of a kind. */
final readonly class LineWord
{
    /**
     * @param string|null $pattern what may stand before the colon where the word takes more than itself, a regular expression without
     *   its ends; null: the word alone
     * @param list<string> $examples what would be right, for somebody who got it wrong
     */
    private function __construct(
        public string $word,
        public bool $runsOn,
        public bool $isBelow,
        public ?string $pattern = null,
        public array $examples = [],
        public ?string $prefix = null,
    ) {
    }

    /** A line of the question itself; its text runs over several lines unless it is short. */
    public static function line(string $word): self
    {
        return new self($word, runsOn: true, isBelow: false);
    }

    /** A line of the question itself whose text is one line. */
    public static function short(string $word): self
    {
        return new self($word, runsOn: false, isBelow: false);
    }

    /** A line below another, of one line. */
    public static function below(string $word): self
    {
        return new self($word, runsOn: false, isBelow: true);
    }

    /** A line below another whose text runs over several lines. */
    public static function textBelow(string $word): self
    {
        return new self($word, runsOn: true, isBelow: true);
    }

    /** The same word with something between it and the colon. */
    public function with(string $pattern, string ...$examples): self
    {
        return new self($this->word, $this->runsOn, $this->isBelow, $pattern, array_values($examples));
    }

    /** The same word, before which another may stand. */
    public function after(string $prefix): self
    {
        return new self($this->word, $this->runsOn, $this->isBelow, $this->pattern, $this->examples, $prefix);
    }
}
