<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper\Keys;

use Zetema\Core\Exchange\TypedPaper\Draft;
use Zetema\Core\Exchange\TypedPaper\Heading;
use Zetema\Core\Question\Problem;

/** Brings the entries of lists of keys to the questions above them. */
final class KeyLists
{
    /**
     * @param list<Draft|Heading|KeyList> $parts of a paper
     *
     * @return list<Problem> entries without a question
     */
    public static function spread(array $parts): array
    {
        $problems = [];
        $above = [];
        foreach ($parts as $part) {
            if ($part instanceof Draft) {
                $above[] = $part;
            } elseif ($part instanceof KeyList) {
                array_push(
                    $problems,
                    ...self::serve(array_values(array_filter($above, static fn (Draft $d): bool => $d->number !== null)), $part),
                );
                $above = [];
            }
        }

        return $problems;
    }

    /**
     * @param list<Draft> $questions with a number, above the list
     *
     * @return list<Problem>
     */
    private static function serve(array $questions, KeyList $list): array
    {
        $runs = self::runs($questions, array_map(static fn (Draft $d): int => $d->number ?? 0, $questions));
        $entryRuns = self::runs($list->entries, array_map(static fn (array $e): int => $e['number'], $list->entries));

        return count($runs) === count($entryRuns)
            ? array_merge(...array_map(self::serveRun(...), $runs, $entryRuns))
            : self::serveRun($questions, $list->entries);
    }

    /**
     * @param list<Draft> $questions
     * @param list<array{number: int, key: string, line: int}> $entries
     *
     * @return list<Problem>
     */
    private static function serveRun(array $questions, array $entries): array
    {
        $twice = array_keys(
            array_filter(
                array_count_values(array_map(static fn (Draft $d): int => $d->number ?? 0, $questions)),
                static fn (int $n): bool => $n > 1,
            ),
        );
        $unclear = array_filter($questions, static fn (Draft $d): bool => in_array($d->number, $twice, true));
        foreach ($unclear as $question) {
            $question->listProblem = sprintf(
                'the number %d stands twice above the list of keys, which cannot tell which is meant',
                $question->number ?? 0,
            );
        }

        return self::direct(
            array_values(array_filter($questions, static fn (Draft $d): bool => !in_array($d->number, $twice, true))),
            $entries,
            $twice,
        );
    }

    /**
     * @template T
     *
     * @param list<T> $things
     * @param list<int> $numbers
     *
     * @return list<list<T>> cut where the numbers begin again at 1
     */
    private static function runs(array $things, array $numbers): array
    {
        $runs = [];
        foreach ($things as $i => $thing) {
            if ($numbers[$i] === 1 || $runs === []) {
                $runs[] = [];
            }
            $runs[count($runs) - 1][] = $thing;
        }

        return $runs;
    }

    /**
     * @param list<Draft> $questions
     * @param list<array{number: int, key: string, line: int}> $entries
     * @param list<int> $unclear numbers whose entries are told elsewhere
     *
     * @return list<Problem>
     */
    private static function direct(array $questions, array $entries, array $unclear = []): array
    {
        $problems = [];
        foreach ($entries as $entry) {
            $found = array_values(array_filter($questions, static fn (Draft $d): bool => $d->number === $entry['number']))[0] ?? null;
            if ($found === null) {
                if (!in_array($entry['number'], $unclear, true)) {
                    $problems[] = new Problem(
                        $entry['line'],
                        1,
                        sprintf('there is no question %d above this list of keys', $entry['number']),
                    );
                }
                continue;
            }
            if ($found->listed !== null && $found->listed[0] !== $entry['key']) {
                $problems[] = new Problem(
                    $entry['line'],
                    1,
                    sprintf('the list has another key for question %d already: %s', $entry['number'], $found->listed[0]),
                );
                continue;
            }
            $found->listed ??= [$entry['key'], $entry['line']];
        }

        return $problems;
    }
}
