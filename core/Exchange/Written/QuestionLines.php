<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Written;

use Zetema\Core\Data\AuthorText;
use Zetema\Core\Exchange\TextFormat\Assembler;
use Zetema\Core\Exchange\TextFormat\Defaults;
use Zetema\Core\Exchange\TextFormat\Vocabulary;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problem;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Question;

/** A question that was recognised, put together of the lines that the text format would have for it. */
final class QuestionLines
{
    /** @var list<Line> */
    private array $parts = [];

    /** @param int $line where it begins */
    public function __construct(public string $opening, public string $stem, private readonly int $line)
    {
    }

    /** @param list<Line> $below */
    public function add(string $head, string $text, array $below = [], int $line = 0): void
    {
        $this->parts[] = $this->line($head, $text, $below, $line);
    }

    /** Says something instead of what was said before. */
    public function put(string $head, string $text): void
    {
        $this->parts = array_values(array_filter($this->parts, static fn (Line $line): bool => $line->word !== $head));
        $this->add($head, $text);
    }

    /** @param list<Line> $below */
    public function line(string $head, string $text, array $below = [], int $line = 0): Line
    {
        $found = self::vocabulary()->classify($head);
        [$word, $arguments] = is_array($found) ? $found : throw new \LogicException("“{$head}” is no word of the format");

        return new Line($word, AuthorText::tidy($text), $arguments, $below, $line === 0 ? $this->line : $line, 1, 1, $head);
    }

    /**
     * @param list<string> $objective
     * @param array<string, true> $taken names of earlier questions
     *
     * @return Question|list<Problem>
     */
    public function make(array $objective = [], array $taken = []): Question|array
    {
        $problems = new Problems();
        $opening = $this->line($this->opening, $this->stem);
        $question = (new Assembler())->question($opening, $this->parts, new Defaults(), $objective, $taken, $problems);

        return $question !== null && $problems->isEmpty() ? $question : $problems->all();
    }

    private static function vocabulary(): Vocabulary
    {
        static $vocabulary = null;

        return $vocabulary instanceof Vocabulary ? $vocabulary : ($vocabulary = new Vocabulary());
    }
}
