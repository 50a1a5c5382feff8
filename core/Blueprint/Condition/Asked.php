<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Condition;

/** Something that a condition asks about. */
final readonly class Asked
{
    /** @param string $what "question", "section" or "tally" */
    private function __construct(public string $what, public string $name, public ?int $choice = null)
    {
    }

    public static function question(string $name, ?int $choice = null): self
    {
        return new self('question', $name, $choice);
    }

    public static function section(string $id): self
    {
        return new self('section', $id);
    }

    public static function tally(string $name): self
    {
        return new self('tally', $name);
    }
}
