<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

/** A clock of a sitting: of a question, of a section, of the whole, or the time when the assessment closes. */
final readonly class Clock implements \Stringable
{
    /** @param string $name the question's name or the section's id; '' for the others */
    private function __construct(public ClockKind $kind, public string $name = '')
    {
    }

    public static function question(string $name): self
    {
        return new self(ClockKind::Question, $name);
    }

    public static function section(string $id): self
    {
        return new self(ClockKind::Section, $id);
    }

    public static function whole(): self
    {
        return new self(ClockKind::Whole);
    }

    public static function until(): self
    {
        return new self(ClockKind::Until);
    }

    public static function pause(): self
    {
        return new self(ClockKind::Pause);
    }

    /** As it is stored. */
    public static function of(ClockKind $kind, string $name): self
    {
        return new self($kind, $name);
    }

    /** "question trim", "whole". */
    public function __toString(): string
    {
        return trim($this->kind->value . ' ' . $this->name);
    }
}
