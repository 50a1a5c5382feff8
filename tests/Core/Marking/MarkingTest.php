<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Marking\Verdict;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Question;
use Zetema\Tests\Core\TextQuestions;

final class MarkingTest extends TestCase
{
    private const ONE = "one: Which?\n points: 10\n wrong costs: 2\n blank costs: 1\n hint costs: 1\n attempts: 2\n attempt costs: 5\n hint: a\n hint: b\n yes: right\n no: wrong";
    private const WEIGHED = "one: Which?\n marking: weighed\n attempts: 2\n attempt costs: 50 %\n yes 8: a\n no 5: b\n no 2: c";
    private const SEVERAL = "several: Which?\n points: 6\n yes: a\n no: b\n yes: c\n no: d\n no: e\n ";
    private const PLUS_MINUS = "several: Which?\n marking: weighed\n choose: at most 2\n yes 4: a\n yes 4: b\n no -3: c\n no -3: d";
    private const HARROW = "text: Where?\n answer: Harrow, upper vale\n ";

    /** @return iterable<string, array{string, mixed, string, string, 4?: int, 5?: int, 6?: bool}> text, response, outcome, earned, attempt, hints, late */
    public static function marks(): iterable
    {
        yield 'right on attempt 2 pays for it' => [self::ONE, ['choose' => [1]], 'right', '5', 2];
        yield 'wrong on attempt 2 costs what wrong costs' => [self::ONE, ['choose' => [2]], 'wrong', '-2', 2];
        yield 'a blank answer costs what blank costs' => [self::ONE, null, 'unanswered', '-1'];
        yield 'two hints and a second attempt' => [self::ONE, ['choose' => [1]], 'right', '3', 2, 2];
        yield 'weights: the second choice' => [self::WEIGHED, ['choose' => [2]], 'partly right', '5'];
        yield 'weights: attempt costs in percent of the worth' => [self::WEIGHED, ['choose' => [2]], 'partly right', '1', 2];
        yield 'weights: the best choice stays right on attempt 2' => [self::WEIGHED, ['choose' => [1]], 'right', '4', 2];
        yield 'whole: every key and no other' => [self::SEVERAL . 'marking: whole', ['choose' => [1, 3]], 'right', '6'];
        yield 'whole: one key is not enough' => [self::SEVERAL . 'marking: whole', ['choose' => [1]], 'wrong', '0'];
        yield 'parts: one of two' => [self::SEVERAL . 'marking: parts', ['choose' => [1]], 'partly right', '3'];
        yield 'parts: both' => [self::SEVERAL . 'marking: parts', ['choose' => [1, 3]], 'right', '6'];
        yield 'parts: a wrong one takes a right one away' => [self::SEVERAL . 'marking: parts', ['choose' => [1, 2]], 'wrong', '0'];
        yield 'parts: two right, one wrong' => [self::SEVERAL . 'marking: parts', ['choose' => [1, 3, 4]], 'partly right', '3'];
        yield 'parts: choosing everything earns nothing' => [self::SEVERAL . 'marking: parts', ['choose' => [1, 2, 3, 4, 5]], 'wrong', '0'];
        yield 'each: four of five as they should be' => [self::SEVERAL . 'marking: each', ['choose' => [1]], 'partly right', '4.8'];
        yield 'each: three of five' => [self::SEVERAL . 'marking: each', ['choose' => [1, 2]], 'partly right', '3.6'];
        yield 'each: nothing chosen is unanswered' => [self::SEVERAL . 'marking: each', null, 'unanswered', '0'];
        yield 'parts, a wrong one costs half' => [self::SEVERAL . "marking: parts\n wrong part costs: 0.5", ['choose' => [1, 2]], 'partly right', '1.5'];
        yield 'parts, a wrong one costs nothing: never right' => [self::SEVERAL . "marking: parts\n wrong part costs: 0", ['choose' => [1, 2, 3, 4, 5]], 'partly right', '6'];
        yield 'parts, at most one: any key is everything' => [self::SEVERAL . "marking: parts\n choose: at most 1", ['choose' => [1]], 'right', '6'];
        yield 'whole, at most one: any key is everything' => [self::SEVERAL . 'choose: at most 1', ['choose' => [3]], 'right', '6'];
        yield 'weighed several: both best' => [self::PLUS_MINUS, ['choose' => [1, 2]], 'right', '8'];
        yield 'weighed several: one good, one bad' => [self::PLUS_MINUS, ['choose' => [1, 3]], 'partly right', '1'];
        yield 'weighed several: below zero' => [self::PLUS_MINUS, ['choose' => [3, 4]], 'wrong', '-6'];
        yield 'weighed: max is the best permitted sum' => ["several: W\n marking: weighed\n choose: at most 2\n yes 4: a\n no -1: b\n no -3: c", ['choose' => [1]], 'right', '4'];
        yield 'weighed, exactly two: negatives count in' => ["several: W\n marking: weighed\n choose: 2\n yes 4: a\n no -1: b\n no -3: c", ['choose' => [1, 2]], 'right', '3'];
        yield 'late, wrong: whatever was entered costs' => ["one: W\n wrong costs: 2\n late: wrong\n yes: a\n no: b", ['choose' => [1]], 'out of time', '-2', 1, 0, true];
        yield 'late, wrong: nothing entered costs too' => ["one: W\n wrong costs: 2\n blank costs: 1\n yes: a\n no: b", null, 'out of time', '-2', 1, 0, true];
        yield 'late, blank' => ["one: W\n blank costs: 0.5\n late: blank\n yes: a\n no: b", ['choose' => [1]], 'out of time', '-0.5', 1, 0, true];
        yield 'late, marks: as it stands' => ["one: W\n points: 10\n late: marks\n yes: a\n no: b", ['choose' => [1]], 'out of time', '10', 1, 0, true];
        yield 'a floor holds the costs' => ["one: W\n floor: 0\n blank costs: 1\n yes: a\n no: b", null, 'unanswered', '0'];
        yield 'not graded earns nothing of nothing' => ["one: W\n graded: no\n yes: a\n no: b", ['choose' => [1]], 'right', '0'];
        yield 'without a key it is only recorded' => ["one: W\n key: none\n no: a\n no: b", ['choose' => [2]], 'recorded', '0'];
        yield 'attempt costs: the last entry repeats, only one is taken' => ["one: W\n points: 10\n attempts: 4\n attempt costs: 2, 5\n yes: a\n no: b", ['choose' => [1]], 'right', '5', 4];
        yield 'attempt costs never go below zero' => ["one: W\n points: 3\n attempts: 2\n attempt costs: 5\n yes: a\n no: b", ['choose' => [1]], 'right', '0', 2];
        yield 'a third is rounded, half away from zero' => ["several: W\n marking: parts\n yes: a\n yes: b\n yes: c\n no: d", ['choose' => [1]], 'partly right', '0.33'];
        yield 'decimals can be set' => ["several: W\n marking: parts\n decimals: 1\n yes: a\n yes: b\n yes: c\n no: d", ['choose' => [1, 2]], 'partly right', '0.7'];
        yield 'a claim that is false' => ["false: Drones sting.\n words: holds, does not hold", ['choose' => [2]], 'right', '1'];
        yield 'text: case and spaces are ignored' => [self::HARROW, ['text' => ' harrow,  UPPER vale'], 'right', '1'];
        yield 'text: a missing comma is not' => [self::HARROW, ['text' => 'harrow upper vale'], 'wrong', '0'];
        yield 'text: unless punctuation is ignored' => [self::HARROW . 'ignore: case, punctuation', ['text' => 'harrow upper vale'], 'right', '1'];
        yield 'text: a wording may be worth half' => ["text: W\n points: 2\n answer: varroa\n answer 50 %: mite", ['text' => 'Mite'], 'partly right', '1'];
        yield 'text: spaces only are blank' => [self::HARROW, ['text' => " \u{00A0} "], 'unanswered', '0'];
        yield 'text: one typo in five letters' => ["text: W\n typos: 1\n answer: varroa", ['text' => 'varoa'], 'right', '1'];
        yield 'text: swapped letters are one typo' => ["text: W\n typos: 1\n answer: varroa", ['text' => 'avrroa'], 'right', '1'];
        yield 'text: two typos need ten letters' => ["text: W\n typos: 2\n answer: varroa", ['text' => 'vroa'], 'wrong', '0'];
        yield 'text: accents matter' => ["text: W\n answer: café", ['text' => 'cafe'], 'wrong', '0'];
        yield 'text: unless ignored' => ["text: W\n ignore: case, accents\n answer: café", ['text' => 'CAFE'], 'right', '1'];
        yield 'text: a pattern' => ["text: W\n pattern: varro* mite?", ['text' => 'Varroa destructor mites'], 'right', '1'];
        $order = "order: O\n points: 10\n item: a\n item: b\n item: c\n item: d\n item: e\n marking: ";
        yield 'order, by place: three of five' => [$order . 'parts by place', ['order' => [1, 2, 3, 5, 4]], 'partly right', '6'];
        yield 'order, by neighbour: two of four' => [$order . 'parts by neighbour', ['order' => [1, 2, 3, 5, 4]], 'partly right', '5'];
        yield 'order, whole' => [$order . 'whole', ['order' => [1, 2, 3, 5, 4]], 'wrong', '0'];
        yield 'order: items with the same text change places freely' => ["order: O\n item: a\n item: b\n item: a", ['order' => [3, 2, 1]], 'right', '1'];
        yield 'order: nothing placed is unanswered' => [$order . 'whole', ['order' => []], 'unanswered', '0'];
        $pairs = "pairs: P\n pair: a\n  with: x\n pair: b\n  with: y\n pair: c\n  with: z\n spare with: x\n marking: ";
        yield 'pairs: one right, two empty' => [$pairs . 'parts', ['pairs' => ['1' => '1', '2' => '', '3' => null]], 'partly right', '0.33'];
        yield 'pairs: the same text from a spare is right too' => [$pairs . 'whole', ['pairs' => ['1' => '4', '2' => '2', '3' => '3']], 'right', '1'];
        yield 'pairs: a wrong one costs nothing unless set' => [$pairs . 'parts', ['pairs' => ['1' => '1', '2' => '3']], 'partly right', '0.33'];
        yield 'pairs: unless set' => [$pairs . "parts\n wrong part costs: 1", ['pairs' => ['1' => '1', '2' => '3']], 'wrong', '0'];
        $groups = "groups: G\n points: 4\n group: A\n item: a\n item: b\n group: B\n item: c\n item: d\n spare item: e\n marking: parts";
        yield 'groups: all right and the spare used' => [$groups, ['groups' => ['1' => '1', '2' => '1', '3' => '2', '4' => '2', '5' => '1']], 'partly right', '4'];
        yield 'groups: where a wrong part costs' => [$groups . "\n wrong part costs: 1", ['groups' => ['1' => '1', '2' => '1', '3' => '2', '4' => '2', '5' => '1']], 'partly right', '3'];
        yield 'groups: items with the same text, one to each group' => ["groups: G\n points: 2\n group: A\n item: x\n group: B\n item: x\n marking: parts", ['groups' => ['1' => '2', '2' => '1']], 'right', '2'];
        yield 'groups: both in one group is half' => ["groups: G\n points: 2\n group: A\n item: x\n group: B\n item: x\n marking: parts", ['groups' => ['1' => '1', '2' => '1']], 'partly right', '1'];
        $gaps = "gaps: One ___ and ___.\n points: 2\n gap 1: queen\n gap 1 50 %: lady\n gap 2 yes: workers\n gap 2 no: drones\n marking: ";
        yield 'gaps: typed and picked' => [$gaps . 'whole', ['gaps' => ['1' => 'QUEEN', '2' => '1']], 'right', '2'];
        yield 'gaps: half a wording is half a part' => [$gaps . 'parts', ['gaps' => ['1' => 'lady', '2' => '1']], 'partly right', '1.5'];
        yield 'gaps: and whole is not whole then' => [$gaps . 'whole', ['gaps' => ['1' => 'lady', '2' => '1']], 'wrong', '0'];
        yield 'gaps: spaces are an empty part' => [$gaps . 'parts', ['gaps' => ['1' => '  ', '2' => '1']], 'partly right', '1'];
        yield 'gaps, weighed: earned and lost' => [
            "gaps: ___ ___\n marking: weighed\n gap 1: six\n  earns: 2\n  loses: 1\n gap 1: 6\n gap 2: bees\n  earns: 3\n  loses: 2",
            ['gaps' => ['1' => '6', '2' => 'ants']],
            'wrong',
            '0',
        ];
        $regions =
            "regions: R\n points: 2\n image: f.svg\n  size: 800 600\n  shows: a frame\n area yes: ellipse 100 100 50 30\n area yes: rectangle 300 300 10 10\n area no: polygon 500,500 600,500 550,580\n clicks: any\n marking: ";
        yield 'regions: one of two' => [$regions . 'parts', ['points' => [[150, 100]]], 'partly right', '1'];
        yield 'regions: both, the border counts' => [$regions . 'parts', ['points' => [[100, 130], [310, 310]]], 'right', '2'];
        yield 'regions: one and one beside' => [$regions . 'parts', ['points' => [[100, 100], [0, 0]]], 'wrong', '0'];
        yield 'regions: the same area twice counts once' => [$regions . 'parts', ['points' => [[100, 100], [101, 100], [300, 300]]], 'right', '2'];
        yield 'regions: one distractor twice is one wrong part' => [$regions . 'parts', ['points' => [[100, 100], [300, 300], [550, 520], [551, 520]]], 'partly right', '1'];
        yield 'regions: the same blank pixel twice is two' => [$regions . 'parts', ['points' => [[100, 100], [300, 300], [1, 1], [1, 1]]], 'wrong', '0'];
        $place = "place: L\n image: h.svg\n  shows: a hive\n spot: 1 1 5\n spot: 9 9 5\n spot: 20 20 5\n label: Lid\n  at: 1, 3\n label: Box\n  at: 2\n spare label: Queen\n marking: parts";
        yield 'place: a label with two right spots' => [$place, ['place' => ['1' => '3', '2' => '2']], 'right', '1'];
        yield 'place: a spare that is used is a wrong part' => [$place, ['place' => ['1' => '1', '2' => '2', '3' => '3']], 'partly right', '1'];
        yield 'rating: recorded only' => ["rating: R\n scale: 1 to 5", ['choose' => [4]], 'recorded', '0'];
        yield 'rating: late is out of time, 0 of 0' => ["rating: R\n scale: 1 to 5", ['choose' => [4]], 'out of time', '0', 1, 0, true];
        yield 'text: a literal star' => ["text: W\n pattern: 2 \\* 3", ['text' => '2 x 3'], 'wrong', '0'];
    }

    #[DataProvider('marks')]
    public function test_what_a_response_earns(string $text, mixed $response, string $outcome, string $earned, int $attempt = 1, int $hints = 0, bool $late = false): void
    {
        $verdict = self::mark(TextQuestions::one($text), $response, $attempt, $hints, $late);

        self::assertSame([$outcome, $earned], [$verdict->outcome->value, (string) $verdict->earned], implode('; ', $verdict->working));
        self::assertNotSame([], $verdict->working);
    }

    #[DataProvider('marks')]
    public function test_a_plan_that_went_through_json_marks_the_same(string $text, mixed $response, string $outcome, string $earned, int $attempt = 1, int $hints = 0, bool $late = false): void
    {
        $question = TextQuestions::one($text);
        $plan = MarkingPlan::of($question, $question->effective());
        $json = json_encode($plan->toData(), JSON_THROW_ON_ERROR);
        $again = MarkingPlan::fromData(Fields::ofJson($json));
        $given = $question->kind->response($response, $question->effective(), !$late);

        self::assertSame($json, json_encode($again->toData(), JSON_THROW_ON_ERROR));
        self::assertEquals((new Marker())->mark($plan, $given, $attempt, $hints, $late), (new Marker())->mark($again, $given, $attempt, $hints, $late));
    }

    public function test_the_working_tells_every_step_in_words(): void
    {
        $verdict = self::mark(TextQuestions::one(self::ONE), ['choose' => [1]], 2, 1);

        self::assertSame(['right: 10', 'second attempt: −5', '1 hint: −1'], $verdict->working);
    }

    public function test_the_unrounded_mark_stays_in_the_working(): void
    {
        $verdict = self::mark(TextQuestions::one("several: W\n marking: parts\n yes: a\n yes: b\n yes: c\n no: d"), ['choose' => [1]]);

        self::assertStringContainsString('1/3', implode(' ', $verdict->working));
    }

    /** @return iterable<string, array{string, mixed, string}> */
    public static function malformed(): iterable
    {
        yield 'an unknown choice' => [self::ONE, ['choose' => [7]], 'choose'];
        yield 'a choice twice' => [self::SEVERAL, ['choose' => [1, 1]], 'choose'];
        yield 'two choices for one' => [self::ONE, ['choose' => [1, 2]], 'choose'];
        yield 'more than allowed' => [self::PLUS_MINUS, ['choose' => [1, 2, 3]], 'choose'];
        yield 'fewer than exactly' => [self::SEVERAL . 'choose: 2', ['choose' => [1]], 'choose'];
        yield 'a text for a number' => [self::ONE, ['choose' => ['1']], 'choose'];
        yield 'null inside' => [self::ONE, ['choose' => null], 'choose'];
        yield 'an empty object' => [self::ONE, [], 'choose'];
        yield 'another kind of response' => [self::ONE, ['text' => 'a'], 'text'];
        yield 'a further field' => [self::ONE, ['choose' => [1], 'sure' => true], 'sure'];
        yield 'a number instead of a text' => [self::HARROW, ['text' => 5], 'text'];
        yield 'an order that leaves one out' => ["order: O\n item: a\n item: b", ['order' => [1]], 'order'];
        yield 'an order that names one twice' => ["order: O\n item: a\n item: b", ['order' => [1, 1]], 'order'];
        yield 'a right-hand side used twice' => ["pairs: P\n pair: a\n  with: x\n pair: b\n  with: y", ['pairs' => ['1' => '1', '2' => '1']], 'pairs'];
        yield 'a left-hand side that is not there' => ["pairs: P\n pair: a\n  with: x\n spare with: y", ['pairs' => ['2' => '1']], 'pairs'];
        yield 'a number in a map' => ["pairs: P\n pair: a\n  with: x\n spare with: y", ['pairs' => ['1' => 2]], 'pairs'];
        yield 'a list gap given a text' => ["gaps: G ___\n gap 1 yes: a\n gap 1 no: b", ['gaps' => ['1' => 'a']], 'gaps'];
        yield 'a click off the picture' => ["regions: R\n image: f.svg\n  size: 800 600\n  shows: s\n area yes: rectangle 0 0 9 9", ['points' => [[800, 0]]], 'points'];
        yield 'half a pixel' => ["regions: R\n image: f.svg\n  shows: s\n area yes: rectangle 0 0 9 9", ['points' => [[1.5, 0]]], 'points'];
        yield 'more clicks than allowed' => ["regions: R\n image: f.svg\n  shows: s\n area yes: rectangle 0 0 9 9", ['points' => [[1, 0], [2, 0]]], 'points'];
        yield 'a value that is not on the scale' => ["rating: R\n scale: 1 to 5", ['choose' => [6]], 'choose'];
        yield 'a text beyond all measure' => [self::HARROW, ['text' => str_repeat('a', 1_000_000)], 'text'];
    }

    #[DataProvider('malformed')]
    public function test_a_malformed_response_is_refused_by_field_and_never_marked(string $text, mixed $response, string $field): void
    {
        try {
            self::mark(TextQuestions::one($text), $response);
            self::fail('it was marked');
        } catch (Malformed $e) {
            self::assertSame($field, $e->field);
            self::assertStringStartsWith($field . ':', $e->getMessage());
        }
    }

    public function test_a_rule_that_its_kind_does_not_know_is_refused(): void
    {
        $question = TextQuestions::one(self::ONE);
        $this->expectException(InvalidQuestion::class);

        new Question($question->kind, 'Which?', $question->settings->with(\Zetema\Core\Question\Settings\Setting::Marking, 'parts'));
    }

    public function test_the_nearest_setting_wins_and_tells_where_it_comes_from(): void
    {
        $question = TextQuestions::one("one: W\n attempts: 2\n yes: a\n no: b");
        $settings = $question->effective(new \Zetema\Core\Question\Settings\BankSettings(\Zetema\Core\Question\Settings\Settings::of(['attempts' => '3', 'points' => '7', 'marking' => 'each'])));

        self::assertSame([2, '7', 'whole'], [$settings->attempts(), $settings->get(\Zetema\Core\Question\Settings\Setting::Points), $settings->get(\Zetema\Core\Question\Settings\Setting::Marking)]);
        $stepped = $question->effective(
            new \Zetema\Core\Question\Settings\BankSettings(\Zetema\Core\Question\Settings\Settings::of(['attempts' => '3'])),
            \Zetema\Core\Question\Settings\Settings::of(['attempts' => '4']),
        );
        self::assertSame([4, 'step'], [$stepped->attempts(), $stepped->placeOf(\Zetema\Core\Question\Settings\Setting::Attempts)], 'a step of this assessment comes before the question');
        self::assertSame(
            ['question', 'bank', 'house'],
            array_map($settings->placeOf(...), [\Zetema\Core\Question\Settings\Setting::Attempts, \Zetema\Core\Question\Settings\Setting::Points, \Zetema\Core\Question\Settings\Setting::Marking]),
        );
    }

    private static function mark(Question $question, mixed $response, int $attempt = 1, int $hints = 0, bool $late = false): Verdict
    {
        $settings = $question->effective();

        return (new Marker())->mark(MarkingPlan::of($question, $settings), $question->kind->response($response, $settings, !$late), $attempt, $hints, $late);
    }
}
