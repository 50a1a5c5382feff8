<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Event;

/** A clock of a sitting: of a question, of a section, of the whole, or the time when the assessment closes. */
final readonly class Clock implements \Stringable
{
    /** In the order in which those act that are due together. */
    public const QUESTION = 'question';
    public const SECTION = 'section';
    public const WHOLE = 'whole';
    public const UNTIL = 'until';
    /** Of a pause that nobody ends: none of those above runs meanwhile. */
    public const PAUSE = 'pause';

    /** @param string $name the question's name or the section's id; '' for the others */
    private function __construct(public string $kind, public string $name = '')
    {
    }

    public static function question(string $name): self
    {
        return new self(self::QUESTION, $name);
    }

    public static function section(string $id): self
    {
        return new self(self::SECTION, $id);
    }

    public static function whole(): self
    {
        return new self(self::WHOLE);
    }

    public static function until(): self
    {
        return new self(self::UNTIL);
    }

    public static function pause(): self
    {
        return new self(self::PAUSE);
    }

    /** As it is stored. */
    public static function of(string $kind, string $name): self
    {
        return new self($kind, $name);
    }

    /** "question trim", "whole". */
    public function __toString(): string
    {
        return trim($this->kind . ' ' . $this->name);
    }
}
