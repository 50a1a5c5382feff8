<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TextFormat;

use Zetema\Core\Data\AuthorText;
use Zetema\Core\Question\Kinds\KindId;
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
        $afterBlank = false;
        $length = strlen($text);
        while ($offset <= $length) {
            $end = strcspn($text, "\r\n", $offset);
            $raw = substr($text, $offset, $end);
            $offset += $end;
            $offset += substr($text, $offset, 2) === "\r\n" ? 2 : 1;
            ++$number;
            $line = AuthorText::line($raw);
            if (str_starts_with($line, '--')) {
                continue;
            }
            $escaped = str_starts_with($line, '\\');
            $colon = $escaped ? false : strpos($line, ':');
            $found =
                $colon === false || $colon > Vocabulary::FARTHEST_COLON ? null : $this->vocabulary->classify(substr($line, 0, $colon));
            if (is_array($found)) {
                if ($open !== null) {
                    yield self::closed($open, $rest);
                }
                yield from $waiting;
                $waiting = [];
                $column = 1 + self::indent($raw);
                $value = substr($line, $colon + 1);
                $textColumn = $column + mb_strlen(substr($line, 0, $colon + 1)) + self::indent($value);
                $open = new Line(
                    $found[0],
                    AuthorText::line($value),
                    $found[1],
                    [],
                    $number,
                    $column,
                    $textColumn,
                    substr($line, 0, $colon),
                );
                $rest = [];
                continue;
            }
            $swallowed =
                $found === null && !$escaped && $open !== null && ($afterBlank || $open->column > 1)
                    ? $this->swallowed($raw, $open, $text, $offset)
                    : null;
            $afterBlank = $line === '';
            if ($swallowed !== null) {
                $waiting[] = new Problem($number, 1, $swallowed);
                $rest[] = $line;
            } elseif (is_string($found)) {
                $waiting[] = new Problem($number, 1 + self::indent($raw), $found);
            } elseif ($open !== null && Vocabulary::runsOn($open->word)) {
                $rest[] = $escaped ? substr($line, 1) : $line;
            } elseif ($line !== '') {
                $where =
                    $open === null ? 'before the first word of the format' : sprintf('after `%s:`, which takes one line', $open->head);
                $waiting[] = new Problem($number, 1 + self::indent($raw), sprintf('this line stands %s and belongs to nothing', $where));
            }
        }
        if ($open !== null) {
            yield self::closed($open, $rest);
        }
        yield from $waiting;
    }

    /**
     * Why a line flush left, below an indented one or after a blank line, is not taken for more text of the answer above: it looks as if
     * it opened a question.
     */
    private function swallowed(string $raw, Line $open, string $text, int $next): ?string
    {
        if (in_array($open->word, [...Vocabulary::opening(), 'reads'], true)) {
            return null; // paragraphs of a stem or a page may begin with anything
        }
        $kinds = implode(', ', Vocabulary::opening());
        if (preg_match('/^(\p{L}[\p{L}-]{2,19}(?: \p{L}{2,19})?):(?:\s|$)/u', $raw, $m) === 1) {
            return sprintf(
                '`%s:` opens nothing in this format; a question opens with %s. If it belongs to the text above, indent it or put a backslash before it',
                $m[1],
                $kinds,
            );
        }
        if (preg_match('/^(' . implode('|', Vocabulary::opening()) . ') +(\S)/iu', $raw, $m) !== 1) {
            return null;
        }
        $isStatement = KindId::openedBy(mb_strtolower($m[1]))?->facts()->isStatement === true;
        $goesOn =
            preg_match(
                '/\G\s*(?:pinned )?(?:' . implode('|', [...Vocabulary::answerWords(), 'points', 'marking']) . ')\b[^:\r\n]{0,20}:/iu',
                $text,
                $_,
                0,
                min($next, strlen($text)),
            ) === 1;

        return $goesOn || ($isStatement && preg_match('/\p{Lu}/u', $m[2]) === 1)
            ? sprintf(
                'after `%s` a colon is missing, if a question opens here. If it belongs to the text above, indent it or put a backslash before it',
                $m[1],
            )
            : null;
    }

    private static function indent(string $raw): int
    {
        return mb_strlen($raw) - mb_strlen(preg_replace('/^\s+/u', '', $raw) ?? $raw);
    }

    /** @param list<string> $rest */
    private static function closed(Line $open, array $rest): Line
    {
        $text = AuthorText::tidy($open->text . "\n" . implode("\n", $rest));

        return new Line($open->word, $text, $open->arguments, [], $open->line, $open->column, $open->textColumn, $open->head);
    }
}
