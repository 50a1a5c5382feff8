<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Marking;

use Brick\Math\BigInteger;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Marking\Guessing\FormGuessing;
use Zetema\Core\Marking\Guessing\Guessing;
use Zetema\Core\Marking\Guessing\ScoreCounter;
use Zetema\Core\Marking\Guessing\TooManyToCount;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Marking\Scoring\Finder;
use Zetema\Core\Marking\Table\WhatScoresWhat;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Response\ChosenChoices;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Tests\Core\TextQuestions;

final class GuessingTest extends TestCase
{
    use TestTrait;

    /** @return iterable<string, array{string, array<array-key, string>}> text, chance by points */
    public static function guesses(): iterable
    {
        yield 'one of four' => ["one: W\n points: 10\n wrong costs: 1\n yes: a\n no: b\n no: c\n no: d", ['-1' => '3/4', '10' => '1/4']];
        yield 'a claim' => ["true: C\n points: 5", ['0' => '1/2', '5' => '1/2']];
        yield 'several, never nothing' => ["several: W\n yes: a\n no: b", ['0' => '2/3', '1' => '1/3']];
        yield 'several, exactly two of three' => ["several: W\n choose: 2\n yes: a\n yes: b\n no: c", ['0' => '2/3', '1' => '1/3']];
        yield 'a text is not guessed, whatever wrong costs' => ["text: W\n wrong costs: 2\n answer: a", ['0' => '1']];
        yield 'three in order' => ["order: O\n points: 6\n marking: parts by place\n item: a\n item: b\n item: c", ['0' => '1/3', '2' => '1/2', '6' => '1/6']];
        yield 'two pairs' => ["pairs: P\n marking: parts\n pair: a\n  with: x\n pair: b\n  with: y", ['0' => '1/2', '1' => '1/2']];
        yield 'groups with a spare: left out too' => ["groups: G\n marking: parts\n blank costs: 1\n group: A\n item: a\n group: B\n spare item: b", ['-1' => '1/9', '0' => '5/9', '1' => '1/3']];
        yield 'a typed gap stays empty' => ["gaps: ___ ___\n points: 2\n marking: parts\n gap 1: a\n gap 2 yes: b\n gap 2 no: c", ['0' => '1/2', '1' => '1/2']];
        yield 'a click into a tenth of the picture' => ["regions: R\n image: f.svg\n  size: 100 10\n  shows: s\n area yes: rectangle 0 0 9 9", ['0' => '9/10', '1' => '1/10']];
        yield 'two clicks, both areas wanted' => ["regions: R\n clicks: 2\n image: f.svg\n  size: 10 10\n  shows: s\n area yes: rectangle 0 0 9 1\n area yes: rectangle 0 8 9 1", ['0' => '23/25', '1' => '2/25']];
        yield 'a rating is worth nothing' => ["rating: R\n scale: 1 to 5", ['0' => '1']];
        yield 'not graded' => ["one: W\n graded: no\n yes: a\n no: b", ['0' => '1']];
        yield 'thirty choices, too many to list' => ["several: W\n choose: 1\n yes: k\n" . str_repeat(" no: d\n", 29), ['0' => '29/30', '1' => '1/30']];
        yield 'ten in order, all or nothing' => ["order: O\n" . implode('', array_map(static fn (int $i): string => " item: $i\n", range(1, 10))), ['0' => '3628799/3628800', '1' => '1/3628800']];
    }

    /** @param array<array-key, string> $expected */
    #[DataProvider('guesses')]
    public function test_what_a_blind_guess_earns(string $text, array $expected): void
    {
        $question = TextQuestions::one($text);
        $rows = [];
        foreach ((new Guessing())->of($question, $question->effective()) as $row) {
            $rows[(string) $row['points']] = (string) $row['chance'];
        }

        self::assertSame($expected, $rows);
    }

    /** @return iterable<string, array{string}> */
    public static function countable(): iterable
    {
        $items = static fn (string ...$texts): string => implode('', array_map(static fn (string $t): string => " item: $t\n", $texts));
        $pairs = implode('', array_map(static fn (string $t): string => " pair: $t\n  with: $t\n", ['a', 'b', 'c', 'd']));
        yield 'several, parts' => ["several: W\n marking: parts\n choose: at most 3\n yes: a\n yes: b\n no: c\n no: d\n no: e"];
        yield 'several, each' => ["several: W\n marking: each\n yes: a\n yes: b\n no: c\n no: d"];
        yield 'several, weighed' => ["several: W\n marking: weighed\n choose: 2\n yes 4: a\n yes 3: b\n no -1: c\n no -2.5: d"];
        yield 'order by place' => ["order: O\n marking: parts by place\n" . $items('a', 'b', 'c', 'd', 'e')];
        yield 'order by place, same texts' => ["order: O\n marking: parts by place\n" . $items('a', 'b', 'a', 'c', 'b')];
        yield 'order by neighbour' => ["order: O\n marking: parts by neighbour\n" . $items('a', 'b', 'c', 'd', 'e')];
        yield 'pairs with a spare' => ["pairs: P\n marking: parts\n$pairs spare with: e"];
        yield 'pairs, one text twice, wrong parts cost' => ["pairs: P\n marking: parts\n wrong part costs: 1\n$pairs spare with: a"];
        yield 'pairs, weighed' => ["pairs: P\n marking: weighed\n pair: a\n  with: x\n  earns: 3\n  loses: 1\n pair: b\n  with: y\n  earns: 2\n pair: c\n  with: z\n  earns: 1\n  loses: 2"];
        yield 'groups with spares and same texts' => ["groups: G\n marking: parts\n wrong part costs: 0.5\n group: A\n item: x\n item: y\n group: B\n item: x\n spare item: z"];
        yield 'place, more labels than spots' => ["place: L\n marking: parts\n image: h.svg\n  shows: s\n spot: 1 1 1\n spot: 5 5 1\n label: a\n  at: 1\n label: b\n  at: 2\n spare label: c\n spare label: a"];
        yield 'gaps from lists' => ["gaps: ___ ___\n marking: parts\n gap 1 yes: a\n gap 1 no: b\n gap 1 no: c\n gap 2 yes: d\n gap 2 yes: e\n gap 2 no: f"];
    }

    #[DataProvider('countable')]
    public function test_counting_agrees_with_marking_every_response(string $text): void
    {
        $question = TextQuestions::one($text);
        $settings = $question->effective();
        $plan = MarkingPlan::of($question, $settings);
        $space = $question->kind->space($settings);
        $listed = [];
        foreach ($space->all() as $response) {
            $points = (string) (new Marker())->mark($plan, $response)->earned;
            $listed["p$points"] = ($listed["p$points"] ?? 0) + 1;
        }
        $counted = [];
        foreach ((new ScoreCounter($plan->scoring, new Finder()))->count($space) as [$sums, $ways, $blank]) {
            $points = 'p' . ($blank ? (new Marker())->mark($plan, Response::blank()) : (new Marker())->markSums($plan, $sums))->earned;
            $counted[$points] = ($counted[$points] ?? BigInteger::zero())->plus($ways);
        }
        $counted = array_filter(array_map(static fn (BigInteger $n): int => $n->toInt(), $counted), static fn (int $n): bool => $n > 0);
        ksort($listed);
        ksort($counted);

        self::assertSame(self::shares($listed), self::shares($counted));
        self::assertSame(array_sum($listed), $space->count());
    }

    #[DataProvider('countable')]
    public function test_the_expected_guess_is_the_mean_of_all_complete_responses_and_chances_add_up(string $text): void
    {
        $question = TextQuestions::one($text);
        $settings = $question->effective();
        $plan = MarkingPlan::of($question, $settings);
        $sum = Ratio::zero();
        $n = 0;
        foreach ($question->kind->space($settings)->all() as $response) {
            $sum = $sum->plus((new Marker())->mark($plan, $response)->earned->exact());
            ++$n;
        }
        $rows = (new Guessing())->of($question, $settings);

        self::assertTrue(FormGuessing::expected($rows)->isEqualTo($sum->dividedBy($n)));
        self::assertTrue(array_reduce($rows, static fn (Ratio $all, array $row): Ratio => $all->plus($row['chance']), Ratio::zero())->isEqualTo(1));
    }

    public function test_a_form_of_ten_claims_is_a_binomial(): void
    {
        $claim = TextQuestions::one('true: C');
        $one = (new Guessing())->of($claim, $claim->effective());
        $form = FormGuessing::total(array_fill(0, 10, $one));

        self::assertSame('5', (string) FormGuessing::expected($form));
        self::assertSame('193/512', (string) FormGuessing::chanceToReach($form, Ratio::of(6)));
    }

    public function test_a_forms_total_does_not_go_below_zero(): void
    {
        $costly = TextQuestions::one("true: C\n wrong costs: 1");
        $form = FormGuessing::total([(new Guessing())->of($costly, $costly->effective())]);

        self::assertSame(['0', '1'], array_map(static fn (array $row): string => (string) $row['points'], $form));
    }

    public function test_clicks_into_a_picture_of_unknown_size_are_not_guessed_at(): void
    {
        $question = TextQuestions::one("regions: R\n image: f.svg\n  shows: s\n area yes: rectangle 0 0 9 9");
        $this->expectException(TooManyToCount::class);
        $this->expectExceptionMessage('size: 800 600');

        (new Guessing())->of($question, $question->effective());
    }

    public function test_the_table_lists_every_response_where_there_are_few(): void
    {
        $question = TextQuestions::one("several: W\n points: 4\n marking: parts\n attempts: 2\n attempt costs: 1\n yes: a\n yes: b\n no: c");
        $rows = iterator_to_array(WhatScoresWhat::table($question, $question->effective()), false);

        self::assertCount(8, $rows, 'seven choices and nothing');
        self::assertSame(['4', '3'], $rows[1]['earned'], 'both keys, on the first and on the second attempt');
        self::assertSame('Right: 4 of 4.', $rows[1]['feedback'][0]);
        self::assertNull($rows[7]['response']->toData());
    }

    /** @return iterable<string, array{string, list<string>}> text, outcomes that must be among the rows */
    public static function telling(): iterable
    {
        yield 'a number: borders and one step beyond' => ["number: N\n answer: 14 within 0.6\n answer 50 %: 12", ['right', 'partly right', 'wrong', 'unanswered']];
        yield 'a text: wordings and near misses' => ["text: T\n answer: varroa\n answer 50 %: mite", ['right', 'partly right', 'wrong', 'unanswered']];
        yield 'clicks: each area, all keys, beside' => [
            "regions: R\n clicks: 2\n marking: parts\n image: f.svg\n  size: 100 100\n  shows: s\n area yes: ellipse 20 20 9 9\n area yes: rectangle 50 50 9 9",
            ['right', 'partly right', 'wrong', 'unanswered'],
        ];
        yield 'fourteen choices' => ["several: S\n marking: parts\n" . str_repeat(" yes: k\n", 5) . str_repeat(" no: d\n", 9), ['right', 'partly right', 'wrong', 'unanswered']];
        yield 'eight pairs' => ["pairs: P\n marking: parts\n" . implode('', array_map(static fn (int $i): string => " pair: a$i\n  with: b$i\n", range(1, 8))), ['right', 'partly right', 'wrong', 'unanswered']];
        yield 'ten in order' => ["order: O\n marking: parts by place\n" . implode('', array_map(static fn (int $i): string => " item: $i\n", range(1, 10))), ['right', 'partly right', 'wrong', 'unanswered']];
    }

    /** @param list<string> $outcomes */
    #[DataProvider('telling')]
    public function test_where_there_are_many_the_table_has_a_telling_set(string $text, array $outcomes): void
    {
        $question = TextQuestions::one($text);
        $found = array_unique(array_column(iterator_to_array(WhatScoresWhat::table($question, $question->effective()), false), 'outcome'));

        self::assertSame([], array_diff($outcomes, $found));
    }

    public function test_no_mark_is_above_the_worth_or_below_the_floor_and_whole_is_never_above_parts(): void
    {
        $this->limitTo(80)
            ->forAll(Generators::choose(1, 4), Generators::choose(1, 4), Generators::elements('0', '0.5', '1', '2'), Generators::elements('none', '0', '-1'), Generators::choose(0, 3))
            ->then(function (int $keys, int $others, string $costs, string $floor, int $wrong): void {
                $text = "several: W\n points: 6\n wrong costs: $wrong\n floor: $floor\n" . str_repeat(" yes: k\n", $keys) . str_repeat(" no: d\n", $others);
                [$whole, $parts] = [self::question($text . ' marking: whole'), self::question($text . " marking: parts\n wrong part costs: $costs")];
                foreach ($parts[0]->kind->space($parts[0]->effective())->all() as $response) {
                    $earned = (new Marker())->mark($parts[1], $response)->earned;
                    self::assertLessThanOrEqual(0, $earned->compare(Points::of('6')));
                    self::assertTrue($floor === 'none' || $earned->compare(Points::of($floor)) >= 0);
                    self::assertLessThanOrEqual(0, (new Marker())->mark($whole[1], $response)->earned->compare($earned));
                }
            });
    }

    public function test_permuting_the_choices_changes_no_mark(): void
    {
        $lines = [' yes: a', ' no: b', ' yes: c', ' no: d'];
        $this->limitTo(24)
            ->forAll(Generators::elements('whole', 'parts', 'each'), Generators::choose(1, 23))
            ->then(function (string $marking, int $seed) use ($lines): void {
                $order = (new \Zetema\Core\Drawing\Chance($seed))->shuffled([0, 1, 2, 3]);
                [$q, $plan] = self::question("several: W\n marking: $marking\n" . implode("\n", $lines));
                [, $mixed] = self::question("several: W\n marking: $marking\n" . implode("\n", array_map(static fn (int $i): string => $lines[$i], $order)));
                foreach ($q->kind->space($q->effective())->all() as $response) {
                    $moved = Response::choosing(array_map(static fn (int $id): int => (int) array_search($id - 1, $order, true) + 1, ChosenChoices::in($response)));
                    self::assertEquals((new Marker())->mark($plan, $response)->earned, (new Marker())->mark($mixed, $moved)->earned);
                }
            });
    }

    public function test_a_draw_that_changes_the_worth_scales_all_that_is_said_in_points(): void
    {
        [$question] = self::question("one: W\n points: 6\n wrong costs: 2\n blank costs: 1\n attempts: 3\n attempt costs: 3, 50 %\n hint costs: 1\n hint: h\n yes: a\n no: b");
        $half = MarkingPlan::of($question, $question->effective(step: Settings::of(['points' => '3'])));
        $earned = static fn (mixed $response, int $attempt = 1, int $hints = 0): string => (string) (new Marker())->mark($half, $question->kind->response($response, $question->effective()), $attempt, $hints)->earned;

        self::assertSame(
            ['3', '-1', '-0.5', '1.5', '1.5', '2.5'],
            [$earned(['choose' => [1]]), $earned(['choose' => [2]]), $earned(null), $earned(['choose' => [1]], 2), $earned(['choose' => [1]], 3), $earned(['choose' => [1]], 1, 1)],
        );
    }

    public function test_no_float_touches_a_point(): void
    {
        $files = [...(array) glob(dirname(__DIR__, 3) . '/core/Marking/{,*/}*.php', GLOB_BRACE), ...(array) glob(dirname(__DIR__, 3) . '/core/Question/{,*/,*/*/}*.php', GLOB_BRACE)];
        self::assertGreaterThan(40, count($files));
        foreach ($files as $file) {
            $tokens = array_filter(
                token_get_all((string) file_get_contents((string) $file)),
                static fn (mixed $t): bool => is_array($t) && (in_array($t[0], [T_DNUMBER, T_DOUBLE_CAST], true) || ($t[0] === T_STRING && in_array($t[1], ['float', 'toFloat', 'floatval', 'round'], true))),
            );
            self::assertSame([], $tokens, (string) $file);
        }
    }

    /** @return array{Question, MarkingPlan} */
    private static function question(string $text): array
    {
        $question = TextQuestions::one($text);

        return [$question, MarkingPlan::of($question, $question->effective())];
    }

    /**
     * @param array<string, int> $counts
     *
     * @return array<string, string>
     */
    private static function shares(array $counts): array
    {
        return array_map(static fn (int $n): string => (string) Ratio::nd($n, array_sum($counts)), $counts);
    }
}
