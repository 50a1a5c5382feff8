<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper;

use Zetema\Core\Exchange\Written\Characters;
use Zetema\Core\Exchange\Written\Styled;
use Zetema\Core\Question\Problem;

/** The pairs of a matching question: numbered left-hand sides, lettered right-hand sides, and the key that brings them together. */
final readonly class Matching
{
    private const SIDE = '/(?:\t| {3,})\s*(?:\(\s*(?<a>[A-Za-z])\s*\)|(?<b>[A-Za-z])\)|(?<c>[A-Za-z])\.(?=\s|$))\s*/u';

    /**
     * @param list<array{string, string}> $pairs
     * @param list<string> $spares
     */
    private function __construct(public array $pairs, public array $spares, public string $why)
    {
    }

    public static function isSideBySide(Styled $left): bool
    {
        return preg_match(self::SIDE, '   ' . $left->text) === 1;
    }

    public static function of(Body $body): self|Problem
    {
        $lefts = $rights = [];
        foreach ($body->numbered as $left) {
            $text = $left->text;
            if (preg_match(self::SIDE, $text->text, $m, PREG_OFFSET_CAPTURE) === 1) {
                $letter = strtoupper($m['a'][0] . ($m['b'][0] ?? '') . ($m['c'][0] ?? ''));
                $rights[$letter] = $text->sub($m[0][1] + strlen($m[0][0]))->markdown();
                $text = $text->sub(0, $m[0][1]);
            }
            $lefts[] = $text->trimmed()->markdown();
        }
        foreach ($body->choices as $choice) {
            if (isset($rights[$choice->letter])) {
                return new Problem($choice->line->number, 1, sprintf('the letter %s stands twice', $choice->letter));
            }
            $rights[$choice->letter] = $choice->text->markdown();
        }
        if ($lefts === [] || $rights === []) {
            return self::written($body);
        }
        [$key, $line] = self::key($body, count($lefts));
        if ($key === null) {
            return self::keyMissing($body);
        }
        $pairs = [];
        foreach ($lefts as $i => $left) {
            $letter = $key[$i + 1] ?? null;
            if ($letter === null || !isset($rights[$letter])) {
                return new Problem(
                    $body->held[$i][1] ?? $line,
                    1,
                    $letter === null ? sprintf('the key says nothing for %d', $i + 1) : sprintf('there is no %s to match with', $letter),
                );
            }
            $pairs[] = [$left, $rights[$letter]];
        }
        $others = array_diff(array_keys($key), range(1, count($lefts)));
        if ($others !== []) {
            return new Problem($line, 1, sprintf('the key names %d, which is not there', max($others)));
        }

        return new self(
            $pairs,
            array_values(array_diff_key($rights, array_fill_keys($key, true))),
            sprintf('pairs: the key at line %d', $line),
        );
    }

    /** @return array{array<int, string>|null, int} letters by number, and the line of the key */
    private static function key(Body $body, int $count): array
    {
        if ($body->held !== []) {
            $key = [];
            foreach ($body->held as $i => [$letter]) {
                $key[$i + 1] = strtoupper(trim($letter, '() .'));
            }
            $missing = array_values(array_diff(range(1, $count), array_keys($key)));

            return [$key, $missing === [] ? $body->draft->opening->number : $body->numbered[$missing[0] - 1]->line->number];
        }
        $said =
            $body->answers !== []
                ? [implode(', ', array_column($body->answers, 'text')), $body->answers[0]['line']]
                : $body->draft->listed;
        if ($said === null) {
            return [null, $body->draft->opening->number];
        }
        $one = '\(?\d{1,2}\)?\s*(?:[-–—=:.)→]|->)?\s*\(?[A-Za-z]\)?(?![A-Za-z])';
        if (preg_match("/^$one(?:[\s,;]+(?:and\s+)?$one)*$/u", trim($said[0])) !== 1) {
            return [[], $said[1]];
        }
        preg_match_all('/(\d{1,2})[^\dA-Za-z]*([A-Za-z])(?![A-Za-z])/u', $said[0], $m, PREG_SET_ORDER);
        $key = [];
        foreach ($m as $entry) {
            $key[(int) $entry[1]] ??= strtoupper($entry[2]);
        }

        return [$key, $said[1]];
    }

    private static function keyMissing(Body $body): Problem
    {
        return new Problem($body->draft->opening->number, 1, 'key missing: nothing says which belong together');
    }

    /** Pairs that are written as such below the stem: "left = right", with an arrow, or in columns. */
    private static function written(Body $body): self|Problem
    {
        $lines = explode("\n", $body->stem->text);
        $pairs = $rest = [];
        foreach ($lines as $line) {
            if (
                $rest !== [] &&
                preg_match('/^\s*(?:\d{1,2}[.)]\s+|[-–—•·◦▪‣*+][ \t]+)?(\S.*?)\s*(?:=|→|\t+)\s*(\S.*?)\s*$/u', $line, $m) === 1
            ) {
                $pairs[] = [Characters::tidy($m[1]), Characters::tidy($m[2])];
            } elseif ($pairs === [] || trim($line) === '') {
                $rest[] = $line;
            } else {
                return self::keyMissing($body);
            }
        }
        foreach ($body->numbered as $left) {
            if (preg_match('/^(\S.*?)\s*(?:=|→|\t+)\s*(\S.*?)$/us', $left->text->text, $m) !== 1) {
                return self::keyMissing($body);
            }
            $pairs[] = [Characters::tidy($m[1]), Characters::tidy($m[2])];
        }
        if (count($pairs) < 2) {
            return self::keyMissing($body);
        }
        $body->stem = $body->stem->sub(0, strlen(rtrim(implode("\n", $rest))));

        return new self($pairs, [], 'pairs as they stand below the stem');
    }
}
