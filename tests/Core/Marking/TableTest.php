<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Marking\Table\WhatScoresWhat;
use Zetema\Core\Question\Response\ChosenChoices;
use Zetema\Core\Question\Response\FilledParts;
use Zetema\Core\Question\Response\OrderedItems;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\TypedText;
use Zetema\Tests\Core\TextQuestions;

/** What scores what: which responses stand in the table where not all can. */
final class TableTest extends TestCase
{
    /** @return iterable<string, array{string, list<string>, list<string>}> a question, responses that are listed with their outcome, and some that are not */
    public static function tables(): iterable
    {
        yield 'borders of a span and one step beyond' => ["number: W?\n answer: 14 within 0.6", ['13.4 right', '13.39 wrong', '13.41 right', '14.6 right', '14.61 wrong'], ['13.399 wrong']];
        yield 'a fine span takes finer steps' => ["number: W?\n answer: 14 within 0.005", ['13.995 right', '13.994 wrong', '14.005 right', '14.006 wrong'], ['13.985 wrong']];
        yield 'an open end has one border' => ["number: W?\n answer: over 12", ['12 wrong', '12.01 right'], []];
        yield 'a fraction' => ["number: W?\n answer: 1/3", ['1/3 right'], []];
        yield 'wordings and near misses' => ["text: W?\n answer: varroa\n answer 50 %: mite", ['varroa right', 'VARROA right', 'varro wrong', 'varroas wrong', 'mite partly right', 'something else wrong'], []];
        yield 'typos that are allowed' => ["text: W?\n answer: varroa\n typos: 1", ['varro right', 'varroas right'], []];
        yield 'typed gaps: each alone, all, all but one' => [
            "gaps: ___ and ___\n marking: parts\n gap 1: a\n gap 2: b",
            ['1:a partly right', '2:b partly right', '1:a 2:b right', '1:something else 2:something else wrong'],
            [],
        ];
        yield 'typed and listed gaps together' => ["gaps: ___ and ___\n marking: parts\n gap 1: a\n gap 2 no: b\n gap 2 yes: c", ['1:a 2:2 right', '2:1 wrong', '2:2 partly right', '1:something else 2:1 wrong'], []];
        yield 'listed gaps: all of them' => ["gaps: ___ and ___\n gap 1 yes: a\n gap 1 no: b\n gap 2 no: b\n gap 2 yes: c", ['1:1 2:2 right', '1:2 2:2 wrong', '1:1 wrong'], []];
        yield 'a long order: solved, reversed, neighbours swapped' => [
            "order: W?\n marking: parts by place" . implode('', array_map(static fn (int $n): string => "\n item: i$n", range(1, 8))),
            ['1 2 3 4 5 6 7 8 right', '8 7 6 5 4 3 2 1 wrong', '2 1 3 4 5 6 7 8 partly right'],
            ['3 1 2 4 5 6 7 8 partly right'],
        ];
        yield 'many choices: each alone, all keys, one too many' => [
            "several: W?\n marking: parts" . implode('', array_map(static fn (int $n): string => "\n " . ($n < 3 ? 'yes' : 'no') . ": c$n", range(1, 14))),
            ['1 2 right', '1 partly right', '3 wrong', '1 2 3 partly right', '3 4 5 6 7 8 9 10 11 12 13 14 wrong'],
            ['1 3 4 wrong'],
        ];
    }

    /**
     * @param list<string> $listed
     * @param list<string> $left
     */
    #[DataProvider('tables')]
    public function test_the_telling_ones_are_listed_each_once_and_nothing_last(string $text, array $listed, array $left): void
    {
        $question = TextQuestions::one($text);
        $rows = [];
        foreach (WhatScoresWhat::table($question, $question->effective()) as $row) {
            $rows[] = self::short($row['response']) . ' ' . $row['outcome'];
        }

        self::assertSame([], array_values(array_diff($listed, $rows)), implode(' | ', $rows));
        self::assertSame([], array_values(array_intersect($left, $rows)));
        self::assertSame($rows, array_values(array_unique($rows)));
        self::assertSame('nothing unanswered', $rows[count($rows) - 1]);
    }

    private static function short(Response $response): string
    {
        $parts = FilledParts::in($response);

        return match (true) {
            $response instanceof TypedText => $response->text,
            $response instanceof ChosenChoices => implode(' ', $response->choices),
            $response instanceof OrderedItems => implode(' ', $response->items),
            $parts !== [] => implode(' ', array_map(static fn (int $part, string $given): string => "$part:$given", array_keys($parts), $parts)),
            default => 'nothing',
        };
    }
}
