<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

/**
 * The lines of a question by their stable ids: "answer 2" is where a line stands, "answer:5" is which line it is. What is kept about
 * a line (a comment, a note that was waved off) is kept by the id, so that moving, inserting and dropping lines changes no meaning.
 */
final readonly class Lines
{
    /** @param array<string, list<int>> $ids by the word for a line, in the order written */
    private function __construct(private array $ids)
    {
    }

    public static function of(Question $question): self
    {
        $hints = [];
        foreach ($question->hints as $i => $hint) {
            $hints[] = $hint->id ?? $i + 1;
        }

        return new self([$question->kind::id()->facts()->line => $question->kind->lineIds(), 'hint' => $hints]);
    }

    /** "answer 2" as "answer:5"; what is no numbered line stays as it is. */
    public function at(string $place): string
    {
        return preg_match('/^([a-z]+) (\d+)$/D', $place, $m) === 1 && isset($this->ids[$m[1]][(int) $m[2] - 1])
            ? $m[1] . ':' . $this->ids[$m[1]][(int) $m[2] - 1]
            : $place;
    }

    /** "answer:5" as "answer 2"; null if there is no such line any more. */
    public function place(string $at): ?string
    {
        if (preg_match('/^([a-z]+):(\d+)$/D', $at, $m) !== 1) {
            return $at;
        }
        $i = array_search((int) $m[2], $this->ids[$m[1]] ?? [], true);

        return $i === false ? null : $m[1] . ' ' . ($i + 1);
    }

    /** A text about lines, with ids in place of places: "It says the same as answer:5." */
    public function inText(string $text): string
    {
        $words = implode('|', array_map(preg_quote(...), array_keys($this->ids)));

        return preg_replace_callback('/\b(?:' . $words . ') \d+\b/', fn (array $m): string => $this->at($m[0]), $text) ?? $text;
    }
}
