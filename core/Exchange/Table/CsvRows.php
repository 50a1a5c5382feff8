<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Table;

use Zetema\Core\Exchange\Written\Characters;

/** Rows of text whose cells are separated by commas, semicolons or tabs. */
final readonly class CsvRows implements Rows
{
    private const SEPARATORS = [',', ';', "\t"];
    private const TRIED = 10;
    private const FARTHEST = 1_000;

    private string $separator;

    /**
     * @param string|null $separator null: the one that cuts the first rows into most cells alike
     * @param bool $byLines whether a row's number is that of the line it begins at, for whoever has the text before them
     */
    public function __construct(private string $text, ?string $separator = null, private bool $byLines = false)
    {
        $this->separator = $separator ?? $this->likely();
    }

    public function rows(): \Generator
    {
        yield from $this->cut($this->separator);
    }

    public function aside(): array
    {
        return [];
    }

    private function likely(): string
    {
        $best = [',', [0, 0]];
        foreach (self::SEPARATORS as $separator) {
            $counts = [];
            foreach ($this->cut($separator) as $row) {
                if ($row->number > self::FARTHEST) {
                    break;
                }
                if ($row->isEmpty()) {
                    continue;
                }
                $counts[] = count($row->cells);
                if (count($counts) === self::TRIED) {
                    break;
                }
            }
            $alike = array_count_values(array_filter($counts, static fn (int $n): bool => $n > 1));
            arsort($alike);
            $score = $alike === [] ? [0, 0] : [current($alike), array_key_first($alike)];
            if ($score > $best[1]) {
                $best = [$separator, $score];
            }
        }

        return $best[0];
    }

    /** @return \Generator<int, Row> */
    private function cut(string $separator): \Generator
    {
        $at = 0;
        $length = strlen($this->text);
        $number = $line = 1;
        while ($at < $length) {
            $cells = $problems = [];
            $width = 0;
            $began = $at;
            do {
                if (($this->text[$at] ?? '') === '"') {
                    $end = $this->quoteEnd($at + 1);
                    if ($end === null) {
                        yield new Row($this->byLines ? $line : $number, [], [], Characters::plain(substr($this->text, $began)));

                        return;
                    }
                    $cell = str_replace('""', '"', substr($this->text, $at + 1, $end - $at - 1));
                    $at = $end + 1;
                } else {
                    $cell = '';
                }
                $rest = strcspn($this->text, $separator . "\r\n", $at);
                $cell .= substr($this->text, $at, $rest);
                $at += $rest;
                if (++$width <= Rows::MOST_COLUMNS) {
                    self::take($cells, $problems, $cell);
                }
                $goesOn = ($this->text[$at] ?? '') === $separator;
                $at += $goesOn ? 1 : 0;
            } while ($goesOn);
            $breaks = $this->byLines ? Characters::lineEnds(substr($this->text, $began, $at - $began)) : 0;
            if (preg_match('/\r\n|\r|\n/A', $this->text, $m, 0, $at) === 1) {
                $at += strlen($m[0]);
            }
            yield new Row($this->byLines ? $line : $number, $cells, $problems, width: $width, breaks: $breaks);
            $line += $breaks + 1;
            if (++$number > Rows::MOST_ROWS) {
                throw new UnreadableTable(sprintf('has more than %s rows; bring it in as several files', number_format(Rows::MOST_ROWS)));
            }
        }
    }

    /**
     * @param list<string> $cells
     * @param array<int, string> $problems
     */
    private static function take(array &$cells, array &$problems, string $cell): void
    {
        if (strlen($cell) > Rows::LONGEST_CELL && mb_strlen($cell) > Rows::LONGEST_CELL) {
            $problems[count($cells)] = sprintf('has more than %s characters', number_format(Rows::LONGEST_CELL));
            $cell = mb_substr($cell, 0, Rows::LONGEST_CELL);
        }
        if (Characters::hasControl($cell)) {
            $problems[count($cells)] = 'has a control character, which no text has; was it saved in another encoding?';
        }
        $cells[] = Characters::tidy(str_replace(["\r\n", "\r"], "\n", Characters::plain($cell)));
    }

    /** Where the quote closes that opened before a place. */
    private function quoteEnd(int $from): ?int
    {
        $at = $from;
        while (true) {
            $quote = strpos($this->text, '"', $at);
            if ($quote === false) {
                return null;
            }
            if (($this->text[$quote + 1] ?? '') !== '"') {
                return $quote;
            }
            $at = $quote + 2;
        }
    }
}
