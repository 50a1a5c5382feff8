<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TextFormat;

use Zetema\Core\Data\Text;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problem;

/** Cuts a text into lines of the format: a word, its text with all continuation lines, where they stand. */
final class Lexer
{
    public function __construct(private readonly Vocabulary $vocabulary = new Vocabulary())
    {
    }

    /**
     * One line at a time, so that memory stays constant.
     *
     * @return \Generator<int, Line|Problem>
     */
    public function lines(string $text): \Generator
    {
        $open = null;
        $rest = [];
        $waiting = []; // problems below a line that is still open: they belong to it
        $offset = str_starts_with($text, "\u{FEFF}") ? 3 : 0;
        $number = 0;
        $length = strlen($text);
        while ($offset <= $length) {
            $end = strcspn($text, "\r\n", $offset);
            $raw = substr($text, $offset, $end);
            $offset += $end;
            $offset += substr($text, $offset, 2) === "\r\n" ? 2 : 1;
            ++$number;
            $line = Text::line($raw);
            if (str_starts_with($line, '--')) {
                continue;
            }
            $escaped = str_starts_with($line, '\\');
            $colon = $escaped ? false : strpos($line, ':');
            $found = $colon === false || $colon > Vocabulary::FARTHEST_COLON ? null : $this->vocabulary->classify(substr($line, 0, $colon));
            if (is_array($found)) {
                if ($open !== null) {
                    yield self::closed($open, $rest);
                }
                yield from $waiting;
                $waiting = [];
                $column = 1 + self::indent($raw);
                $value = substr($line, $colon + 1);
                $textColumn = $column + mb_strlen(substr($line, 0, $colon + 1)) + self::indent($value);
                $open = new Line($found[0], Text::line($value), $found[1], [], $number, $column, $textColumn, substr($line, 0, $colon));
                $rest = [];
                continue;
            }
            if (is_string($found)) {
                $waiting[] = new Problem($number, 1 + self::indent($raw), $found);
            } elseif ($open !== null && in_array($open->word, Vocabulary::RUNNING, true)) {
                $rest[] = $escaped ? substr($line, 1) : $line;
            } elseif ($line !== '') {
                $where = $open === null ? 'before the first word of the format' : sprintf('after `%s:`, which takes one line', $open->head);
                $waiting[] = new Problem($number, 1 + self::indent($raw), sprintf('this line stands %s and belongs to nothing', $where));
            }
        }
        if ($open !== null) {
            yield self::closed($open, $rest);
        }
        yield from $waiting;
    }

    private static function indent(string $raw): int
    {
        return mb_strlen($raw) - mb_strlen(preg_replace('/^\s+/u', '', $raw) ?? $raw);
    }

    /** @param list<string> $rest */
    private static function closed(Line $open, array $rest): Line
    {
        $text = Text::tidy($open->text . "\n" . implode("\n", $rest));

        return new Line($open->word, $text, $open->arguments, [], $open->line, $open->column, $open->textColumn, $open->head);
    }
}
