<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper\Keys;

use Zetema\Core\Exchange\TypedPaper\Ahead;
use Zetema\Core\Exchange\TypedPaper\Lines\Marks;
use Zetema\Core\Exchange\TypedPaper\Lines\PaperLine;

/** A list of keys: numbers of questions with what is right, below a heading or at the end of the paper. */
final class KeyList
{
    private const HEADING = '/^(?:answers|answer\s+key|key|keys|solutions)\s*:?$/ui';
    private const LEAD = '/^(?:answers|answer\s+key|keys?|solutions)\s*:\s*/ui';
    private const VALUE = '(?:true|false|[A-Za-z](?![A-Za-z])(?:\s*,\s*[A-Za-z](?![A-Za-z]))*)';
    private const ENTRY = '(?<n>\d{1,3})\s*(?:[.)\-–:=]\s*|\s+|(?=[A-Za-z]))(?<key>' . self::VALUE . ')';

    /**
     * @param int $line where it begins
     * @param int $lines how many lines of the paper it takes
     * @param list<array{number: int, key: string, line: int}> $entries
     */
    private function __construct(public readonly int $line, public readonly int $lines, public readonly array $entries)
    {
    }

    /**
     * The list that begins at a line by its heading, or whose entries stand behind one.
     *
     * @param list<PaperLine> $lines
     */
    public static function at(array $lines, int $i, Ahead $ahead): ?self
    {
        $text = $lines[$i]->text();
        if (preg_match(self::HEADING, trim($text, '#=* ')) === 1) {
            return self::of($lines, $i, true, $ahead);
        }
        if (preg_match(self::LEAD, $text, $m) === 1 && count(self::several(substr($text, strlen($m[0])), $lines[$i]->number)) >= 2) {
            return self::of($lines, $i, true, $ahead);
        }

        return null;
    }

    /**
     * Whether what stands at a line is the key of a matching question above it: entries behind its word, or one line of as many as
     * there are left-hand sides below it.
     *
     * @param list<PaperLine> $lines
     */
    public static function isOfMatching(array $lines, int $i, int $lefts): bool
    {
        if (preg_match(self::HEADING, trim($lines[$i]->text(), '#=* ')) !== 1) {
            return preg_match(self::LEAD, $lines[$i]->text()) === 1;
        }

        return isset($lines[$i + 1]) && count(self::several($lines[$i + 1]->text(), 0)) === $lefts;
    }

    /**
     * @param list<PaperLine> $lines
     * @param bool $headed whether a heading says that a list begins here
     */
    public static function of(array $lines, int $i, bool $headed, ?Ahead $ahead = null): self
    {
        $entries = [];
        $first = $i;
        if ($headed) {
            $behind =
                preg_match(self::HEADING, trim($lines[$i]->text(), '#=* ')) === 1
                    ? ''
                    : (string) preg_replace(self::LEAD, '', $lines[$i]->text());
            $entries = self::several($behind, $lines[$i]->number);
            ++$i;
            // An underline of the heading is no entry.
            $i += isset($lines[$i]) && preg_match('/^(?:={3,}|-{3,})$/', $lines[$i]->text()) === 1 ? 1 : 0;
        }
        for (; isset($lines[$i]); ++$i) {
            $here = self::several($lines[$i]->text(), $lines[$i]->number);
            if ($here === [] && $headed && $ahead !== null && !$ahead->answersFollow($i + 1)) {
                $here = self::one($lines[$i]);
            }
            if ($here === []) {
                break;
            }
            array_push($entries, ...$here);
        }

        return new self($lines[$first]->number, $i - $first, $entries);
    }

    /**
     * Where a list without heading begins: the last lines of the paper, if they hold nothing but two or more entries.
     *
     * @param list<PaperLine> $lines
     */
    public static function tail(array $lines): ?int
    {
        $count = 0;
        for ($i = count($lines) - 1; $i >= 0; --$i) {
            $here = self::several($lines[$i]->text(), $lines[$i]->number);
            if ($here === []) {
                break;
            }
            $count += count($here);
        }

        return $count >= 2 &&
            $i >= 0 &&
            preg_match(self::HEADING, trim($lines[$i]->text(), '#=* ')) !== 1 &&
            preg_match(self::LEAD, $lines[$i]->text()) !== 1
            ? $i + 1
            : null;
    }

    /**
     * The entries of a line that holds nothing else: letters, or true and false.
     *
     * @return list<array{number: int, key: string, line: int}>
     */
    private static function several(string $text, int $line): array
    {
        $text = trim($text, " \t.;,");
        if (
            $text === '' ||
            preg_match(
                '/^' .
                    str_replace(['?<n>', '?<key>'], '?:', self::ENTRY) .
                    '(?:[\s,;.]+' .
                    str_replace(['?<n>', '?<key>'], '?:', self::ENTRY) .
                    ')*$/ui',
                $text,
            ) !== 1
        ) {
            return [];
        }
        preg_match_all('/' . self::ENTRY . '/ui', $text, $found, PREG_SET_ORDER);

        return array_map(static fn (array $m): array => ['number' => (int) $m['n'], 'key' => trim($m['key']), 'line' => $line], $found);
    }

    /** @return list<array{number: int, key: string, line: int}> */
    private static function one(PaperLine $line): array
    {
        $number = Marks::number($line);
        if ($number !== null) {
            return $number->rest->isEmpty()
                ? []
                : [['number' => $number->number(), 'key' => $number->rest->text, 'line' => $line->number]];
        }

        return preg_match('/^(\d{1,3})\s*(?:[-–:=]\s*|\s+)(\S.*)$/us', $line->text(), $m) === 1
            ? [['number' => (int) $m[1], 'key' => trim($m[2]), 'line' => $line->number]]
            : [];
    }
}
