<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

/** Gathers problems while a text is read, since the reader never stops at one. */
final class Problems
{
    /** @var list<Problem> */
    private array $found = [];

    /** At the word of a line. */
    public function at(Line $line, string $message): void
    {
        $this->found[] = new Problem($line->line, $line->column, $message);
    }

    /** At the text of a line. */
    public function inText(Line $line, string $message): void
    {
        $this->found[] = new Problem($line->line, $line->textColumn, $message);
    }

    public function add(Problem $problem): void
    {
        $this->found[] = $problem;
    }

    public function isEmpty(): bool
    {
        return $this->found === [];
    }

    /** @return list<Problem> in the order of the text */
    public function all(): array
    {
        $all = $this->found;
        usort($all, static fn (Problem $a, Problem $b): int => [$a->line, $a->column] <=> [$b->line, $b->column]);

        return $all;
    }
}
