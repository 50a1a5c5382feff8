<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Condition;

/** Which questions are summed: all so far, those of a section, or some by name. */
final readonly class Scope
{
    /** @param list<string>|null $questions */
    private function __construct(public ?string $section, public ?array $questions)
    {
    }

    public static function all(): self
    {
        return new self(null, null);
    }

    public static function section(string $id): self
    {
        return new self($id, null);
    }

    /** @param list<string> $names */
    public static function questions(array $names): self
    {
        return new self(null, $names);
    }

    public function has(string $section, string $question): bool
    {
        return ($this->section === null || $this->section === $section) &&
            ($this->questions === null || in_array($question, $this->questions, true));
    }

    /** @return list<Asked> */
    public function asks(): array
    {
        return [
            ...$this->section === null ? [] : [Asked::section($this->section)],
            ...array_map(static fn (string $name): Asked => Asked::question($name), $this->questions ?? []),
        ];
    }
}
