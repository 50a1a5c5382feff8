<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Answers;

/**
 * One line of a response or of a key, in words. Where it was typed it stands to the letter; all else is an author's text in the
 * small Markdown and is shown as such.
 */
final readonly class AnswerLine implements \Stringable
{
    /** @param string|null $before the number of what it belongs to, such as a gap's or a click's */
    public function __construct(public string $text, public bool $typed = false, public ?string $before = null)
    {
    }

    public static function typed(string $text, ?string $before = null): self
    {
        return new self($text, true, $before);
    }

    /**
     * @param iterable<string> $texts of an author
     *
     * @return list<self>
     */
    public static function written(iterable $texts): array
    {
        $lines = [];
        foreach ($texts as $text) {
            $lines[] = new self($text);
        }

        return $lines;
    }

    /**
     * @param list<self> $lines
     *
     * @return list<string>
     */
    public static function texts(array $lines): array
    {
        return array_map(strval(...), $lines);
    }

    public function __toString(): string
    {
        return $this->before === null ? $this->text : $this->before . ': ' . $this->text;
    }

    /** @return array{before: string|null, text: string, typed: bool} */
    public function toData(): array
    {
        return ['before' => $this->before, 'text' => $this->text, 'typed' => $this->typed];
    }
}
