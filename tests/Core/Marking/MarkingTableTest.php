<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Tests\Core\TextQuestions;

/** Worked by hand: for each question, responses in short, with outcome and points. r right, p partly right, w wrong, u unanswered, o out of time, n recorded. */
final class MarkingTableTest extends TestCase
{
    private const OUTCOMES = ['r' => 'right', 'p' => 'partly right', 'w' => 'wrong', 'u' => 'unanswered', 'o' => 'out of time', 'n' => 'recorded'];

    /** @return list<array{string, array<array-key, string>}> text; "response [@attempt] [+hints] [late]" => "outcome points" */
    private static function tables(): array
    {
        $many = "several: S\n points: 12\n yes: a\n yes: b\n yes: c\n no: d\n no: e\n no: f\n ";
        $order = "order: O\n points: 12\n item: a\n item: b\n item: c\n item: d\n marking: ";
        $twice = "order: O\n points: 6\n item: a\n item: b\n item: a\n marking: ";
        $pairs = "pairs: P\n points: 12\n pair: a\n  with: v\n pair: b\n  with: w\n pair: c\n  with: x\n pair: d\n  with: w\n spare with: z\n marking: ";
        $groups = "groups: G\n points: 6\n group: A\n item: a\n item: b\n group: B\n item: c\n spare item: d\n marking: ";
        $gaps = "gaps: ___ ___ ___\n points: 9\n typos: 1\n gap 1: honey\n gap 1 50 %: syrup\n gap 2 yes: warm\n gap 2 no: cold\n gap 3: wax\n marking: ";
        $areas =
            "regions: R\n points: 6\n image: f.svg\n  size: 200 100\n  shows: s\n area yes: rectangle 10 10 20 20\n area yes: rectangle 25 25 20 20\n area yes: ellipse 150 50 20 10\n area no: polygon 0,90 40,90 20,99\n clicks: any\n marking: ";
        $place =
            "place: L\n points: 6\n image: h.svg\n  shows: s\n spot: 1 1 5\n spot: 20 20 5\n spot: 40 40 5\n spot: 60 60 5\n label: x\n  at: 1\n label: x\n  at: 2\n label: y\n  at: 3, 4\n spare label: z\n marking: ";

        return [
            ["one: W\n points: 4\n yes: a\n yes: b\n no: c\n", ['1' => 'r 4', '2' => 'r 4', '3' => 'w 0', '-' => 'u 0']],
            ["one: W\n points: 4\n wrong costs: 1.5\n blank costs: 0.25\n late: marks\n yes: a\n no: b", ['1' => 'r 4', '2' => 'w -1.5', '-' => 'u -0.25', '1 late' => 'o 4', '2 late' => 'o -1.5', '- late' => 'o -0.25']],
            ["one: W\n points: 4\n wrong costs: 1.5\n blank costs: 0.25\n late: blank\n yes: a\n no: b", ['1 late' => 'o -0.25', '2 late' => 'o -0.25', '- late' => 'o -0.25']],
            ["one: W\n points: 4\n wrong costs: 1.5\n late: wrong\n floor: -1\n yes: a\n no: b", ['2' => 'w -1', '1 late' => 'o -1', '- late' => 'o -1']],
            ["one: W\n points: 8\n attempts: unlimited\n attempt costs: 25 %, 50 %\n yes: a\n no: b", ['1' => 'r 8', '1 @2' => 'r 6', '1 @3' => 'r 4', '1 @9' => 'r 4', '2 @9' => 'w 0']],
            [
                "one: W\n points: 8\n attempts: 3\n attempt costs: 2, 50 %\n hint costs: 1\n hint: x\n hint: y\n  costs: 3\n yes: a\n no: b",
                ['1 +1' => 'r 7', '1 +2' => 'r 4', '1 @2 +2' => 'r 2', '1 @3 +2' => 'r 0', '2 @3 +2' => 'w 0'],
            ],
            [
                "one: W\n marking: weighed\n wrong costs: 9\n late: marks\n yes 5: a\n no 2: b\n no 0: c\n no -2: d",
                ['1' => 'r 5', '2' => 'p 2', '3' => 'w 0', '4' => 'w -2', '-' => 'u 0', '2 late' => 'o 2', '4 late' => 'o -2'],
            ],
            ["one: W\n marking: weighed\n late: wrong\n wrong costs: 1\n yes 5: a\n no -2: d", ['1 late' => 'o -1', '2 late' => 'o -1']],
            ["one: W\n marking: weighed\n yes 2: a\n no 5: b", ['1' => 'p 2', '2' => 'r 5']],
            ["true: C\n marking: weighed\n weight true: 3\n weight false: -1", ['1' => 'r 3', '2' => 'w -1', '-' => 'u 0']],
            ["false: C\n points: 2\n wrong costs: 2", ['1' => 'w -2', '2' => 'r 2', '-' => 'u 0']],
            ["one: W\n key: none\n no: a\n no: b", ['1' => 'n 0', '-' => 'u 0', '1 late' => 'o 0']],
            ["one: W\n graded: no\n wrong costs: 3\n yes: a\n no: b", ['1' => 'r 0', '2' => 'w 0', '-' => 'u 0']],
            [$many . 'marking: whole', ['1,2,3' => 'r 12', '1,2' => 'w 0', '1,2,3,4' => 'w 0', '4' => 'w 0', '-' => 'u 0']],
            [$many . 'marking: parts', ['1' => 'p 4', '1,2' => 'p 8', '1,2,3' => 'r 12', '1,4' => 'w 0', '1,2,4' => 'p 4', '1,2,3,4' => 'p 8', '4,5' => 'w 0', '1,2,3,4,5,6' => 'w 0', '-' => 'u 0']],
            [$many . "marking: parts\n wrong part costs: 0.25", ['1,4' => 'p 3', '1,4,5,6' => 'p 1', '1,2,3,4' => 'p 11', '4' => 'w 0']],
            [$many . "marking: parts\n wrong part costs: 2", ['1,2,4' => 'w 0', '1,2,3,4' => 'p 4']],
            [$many . "marking: parts\n choose: at most 2", ['1,2' => 'r 12', '1,3' => 'r 12', '1' => 'p 6', '1,4' => 'w 0']],
            [$many . "marking: parts\n choose: 2", ['1,2' => 'r 12', '1,4' => 'w 0', '4,5' => 'w 0', '1 late' => 'o 0']],
            [$many . "marking: whole\n choose: at most 2", ['2,3' => 'r 12', '2' => 'w 0', '2,4' => 'w 0']],
            [$many . 'marking: each', ['1,2,3' => 'r 12', '1' => 'p 8', '1,4' => 'p 6', '4' => 'p 4', '4,5,6' => 'w 0', '1,2,3,4' => 'p 10', '1,2,3,4,5,6' => 'p 6', '-' => 'u 0']],
            ["several: S\n marking: weighed\n choose: any\n yes 3: a\n yes 2: b\n no -4: c", ['1,2' => 'r 5', '1' => 'p 3', '1,3' => 'w -1', '1,2,3' => 'p 1', '3' => 'w -4']],
            ["several: S\n marking: weighed\n choose: at most 1\n yes 3: a\n yes 2: b", ['1' => 'r 3', '2' => 'p 2']],
            ["several: S\n decimals: 0\n points: 5\n marking: parts\n yes: a\n yes: b\n no: c", ['1' => 'p 3', '1,2' => 'r 5']],
            ["several: S\n decimals: 4\n points: 1\n marking: parts\n yes: a\n yes: b\n yes: c\n no: d", ['1' => 'p 0.3333', '1,2' => 'p 0.6667']],
            [$order . 'parts by place', ['o1,2,3,4' => 'r 12', 'o2,1,3,4' => 'p 6', 'o2,1,4,3' => 'w 0', 'o4,2,3,1' => 'p 6', 'o4,3,2,1' => 'w 0', '-' => 'u 0']],
            [$order . 'parts by neighbour', ['o1,2,3,4' => 'r 12', 'o4,1,2,3' => 'p 8', 'o3,4,1,2' => 'p 8', 'o2,1,4,3' => 'w 0', 'o1,2,4,3' => 'p 4', 'o2,3,1,4' => 'p 4', 'o4,3,2,1' => 'w 0']],
            [$order . 'whole', ['o1,2,3,4' => 'r 12', 'o2,1,3,4' => 'w 0']],
            [$twice . 'parts by place', ['o3,2,1' => 'r 6', 'o1,3,2' => 'p 2', 'o2,1,3' => 'p 2']],
            [$twice . 'parts by neighbour', ['o3,2,1' => 'r 6', 'o1,3,2' => 'p 3', 'o2,1,3' => 'p 3', 'o2,3,1' => 'p 3']],
            [$pairs . 'parts', ['m1=1,2=2,3=3,4=4' => 'r 12', 'm1=1,2=4,3=3,4=2' => 'r 12', 'm1=1' => 'p 3', 'm1=5,2=2' => 'p 3', 'm1=2,2=1' => 'w 0', '-' => 'u 0']],
            [$pairs . "parts\n wrong part costs: 0.5", ['m1=5,2=2' => 'p 1.5', 'm1=5,3=1,2=2' => 'w 0', 'm1=5,2=2,3=3,4=4' => 'p 7.5']],
            [$pairs . 'whole', ['m1=1,2=4,3=3,4=2' => 'r 12', 'm1=1,2=2,3=3' => 'w 0']],
            ["pairs: P\n marking: weighed\n pair: a\n  with: v\n  earns: 3\n  loses: 1\n pair: b\n  with: w\n  earns: 1", ['m1=1,2=2' => 'r 4', 'm1=1' => 'p 3', 'm2=2' => 'p 1', 'm1=2,2=1' => 'w -1', 'm2=1' => 'w 0']],
            [$groups . 'parts', ['m1=1,2=1,3=2' => 'r 6', 'm1=1,2=1,3=2,4=1' => 'p 6', 'm1=1,2=2' => 'p 2', 'm1=2' => 'w 0', 'm4=1' => 'w 0']],
            [$groups . 'whole', ['m1=1,2=1,3=2' => 'r 6', 'm1=1,2=1,3=2,4=1' => 'w 0']],
            [
                "groups: G\n marking: weighed\n group: A\n item: a\n  earns: 2\n group: B\n item: b\n  earns: 3\n  loses: 2\n spare item: c\n  loses: 1",
                ['m1=1,2=2' => 'r 5', 'm1=1,2=2,3=1' => 'p 4', 'm1=2,2=1' => 'w -2', 'm3=1' => 'w -1'],
            ],
            [$gaps . 'parts', ['m1=honey,2=1,3=WAX' => 'r 9', 'm1=hony,2=1,3=wax' => 'r 9', 'm1=syrup,2=1,3=wax' => 'p 7.5', 'm1=honey' => 'p 3', 'm1=tea,2=2,3=wx' => 'w 0', 'm2=1,3=  ' => 'p 3', '-' => 'u 0']],
            [$gaps . "parts\n wrong part costs: 1", ['m1=honey,2=2' => 'w 0', 'm1=honey,2=1,3=resin' => 'p 3', 'm1=syrup,2=1' => 'p 4.5']],
            [$gaps . 'whole', ['m1=honey,2=1,3=wax' => 'r 9', 'm1=honey,2=1' => 'w 0', 'm1=syrup,2=1,3=wax' => 'w 0']],
            [$areas . 'parts', ['c12/12 40/40 150/50' => 'r 6', 'c27/27' => 'p 4', 'c27/27 150/60' => 'r 6', 'c170/50' => 'p 2', 'c171/50' => 'w 0', 'c20/95 20/96 12/12 150/50' => 'p 2', 'c0/90' => 'w 0', '-' => 'u 0']],
            [$areas . "parts\n wrong part costs: 0", ['c12/12 0/0 1/1 2/2' => 'p 2', 'c27/27 150/50 0/0' => 'p 6']],
            [$areas . 'whole', ['c27/27 150/50' => 'r 6', 'c27/27 150/50 0/0' => 'w 0', 'c27/27' => 'w 0']],
            [
                "regions: R\n marking: weighed\n clicks: 2\n image: f.svg\n  shows: s\n area yes 4: rectangle 0 0 9 9\n area no 1: rectangle 20 0 9 9\n area no -3: rectangle 40 0 9 9",
                ['c1/1 21/1' => 'r 5', 'c1/1 2/2' => 'p 4', 'c1/1 41/1' => 'p 1', 'c41/1' => 'w -3', 'c99/99' => 'w 0', 'c99/99 1/1' => 'p 4'],
            ],
            [$place . 'parts', ['m1=2,2=1,3=4' => 'r 6', 'm1=1,2=3' => 'p 2', 'm1=1,2=2,3=3,4=4' => 'p 6', 'm4=1' => 'w 0', 'm3=3' => 'p 2', 'm1=2' => 'p 2']],
            [$place . "parts\n wrong part costs: 1", ['m1=1,2=2,3=3,4=4' => 'p 4', 'm1=3,3=4' => 'w 0']],
            ["rating: R\n scale: 0 to 3", ['0' => 'n 0', '3' => 'n 0', '-' => 'u 0', '2 late' => 'o 0']],
            [
                "text: T\n points: 4\n wrong costs: 1\n answer: Queen Excluder\n answer 75 %: grid\n pattern 25 %: *grill*",
                ['tqueen  excluder' => 'r 4', 'tgrid' => 'p 3', 'ta grill of wire' => 'p 1', 'tqueen-excluder' => 'w -1', '-' => 'u 0'],
            ],
            ["text: T\n ignore: nothing\n answer: pH", ['tpH' => 'r 1', 'tph' => 'w 0', 't  pH ' => 'r 1']],
            ["text: T\n ignore: case, accents, punctuation\n answer: Bee’s knees, really", ['tbees knees really' => 'r 1', "tBEE'S KNEES – REALLY!" => 'r 1', 't...' => 'w 0', 'tbée’s knees really' => 'r 1']],
            ["text: T\n answer: Straße\n answer: øre", ['tstrasse' => 'r 1', 'tSTRASSE' => 'r 1', 'tore' => 'w 0']],
            ["text: T\n typos: 2\n answer: propolis trap", ['tpropolis trp' => 'r 1', 'tporpolis trap' => 'r 1', 'tpropols trp' => 'r 1', 'tpropls trp' => 'w 0']],
            ["text: T\n pattern: b?e *hive*\n pattern: a\\?", ['tbee in the hive' => 'r 1', 'tbe in the hive' => 'w 0', 'ta?' => 'r 1', 'tab' => 'w 0']],
            [
                "number: N\n points: 2\n unit: kg, %\n answer 50 %: 1/3\n answer: over 1 up to but not 2",
                ['t1/3 kg' => 'p 1', 't0.3333' => 'w 0', 't1' => 'w 0', 't1.000001' => 'r 2', 't2' => 'w 0', 't1 1/2kg' => 'r 2', 't1.5%' => 'r 2', 'tabout 1' => 'w 0', 't1,5' => 'r 2'],
            ],
            ["number: N\n figures: 3 significant\n answer: 1200 within 50\n answer: under 0", ['t1200' => 'w 0', 't1.20e3' => 'w 0', 't-1.25' => 'r 1', 't−0.00125' => 'r 1', 't-1.2' => 'w 0']],
        ];
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function rows(): iterable
    {
        foreach (self::tables() as $i => [$text, $rows]) {
            foreach ($rows as $given => $expected) {
                yield "$i: $given" => [$text, (string) $given, $expected];
            }
        }
    }

    #[DataProvider('rows')]
    public function test_worked_by_hand(string $text, string $given, string $expected): void
    {
        $question = TextQuestions::one($text);
        $settings = $question->effective();
        preg_match('/^(.*?)(?: @(\d))?(?: \+(\d))?( late)?$/us', $given, $m);
        $late = isset($m[4]);
        $response = $question->kind->response(self::response($question->kind::id()->value, $m[1] ?? ''), $settings, !$late);
        $verdict = (new Marker())->mark(MarkingPlan::of($question, $settings), $response, max(1, (int) ($m[2] ?? '1')), (int) ($m[3] ?? '0'), $late);
        [$outcome, $earned] = explode(' ', $expected);

        self::assertSame([self::OUTCOMES[$outcome], $earned], [$verdict->outcome->value, (string) $verdict->earned], implode('; ', $verdict->working));
    }

    public function test_the_table_has_at_least_two_hundred_rows(): void
    {
        self::assertGreaterThanOrEqual(200, iterator_count((static fn () => (yield from self::rows()))()));
    }

    /** @return array<string, mixed>|null */
    private static function response(string $kind, string $short): ?array
    {
        $rest = mb_substr($short, 1);

        return match (true) {
            $short === '-' => null,
            $short[0] === 't' => ['text' => $rest],
            $short[0] === 'o' => ['order' => array_map(intval(...), explode(',', $rest))],
            $short[0] === 'c' => ['points' => array_map(static fn (string $c): array => array_map(intval(...), explode('/', $c)), explode(' ', $rest))],
            $short[0] === 'm' => [$kind => array_column(array_map(static fn (string $p): array => explode('=', $p), explode(',', $rest)), 1, 0)],
            default => ['choose' => array_map(intval(...), explode(',', $short))],
        };
    }
}
