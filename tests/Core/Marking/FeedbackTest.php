<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Marking\Feedback\FeedbackChooser;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Question\Response\Response;
use Zetema\Tests\Core\TextQuestions;

final class FeedbackTest extends TestCase
{
    private const ONE = <<<'TEXT'
    one: W
      points: 10
      attempts: 3
      yes: a
        says: About a.
      no: b
        says: About b.
      no: c
      if right: Well.
      if wrong: Any time.
      if wrong on attempt 2: Second time.
      if wrong on the last attempt: Last time.
      note when chosen 3: You took c.
      note when not chosen 1 on attempt 1: You left a.
    TEXT;

    /** @return iterable<string, array{string, mixed, int, list<string>}> text, response, attempt, what is said */
    public static function said(): iterable
    {
        yield 'outcome, then the choice' => [self::ONE, ['choose' => [1]], 1, ['Well.', 'About a.']];
        yield 'any attempt, the choice, a note' => [self::ONE, ['choose' => [2]], 1, ['Any time.', 'About b.', 'You left a.']];
        yield 'the attempt beats any' => [self::ONE, ['choose' => [2]], 2, ['Second time.', 'About b.']];
        yield 'the last beats a number' => [self::ONE, ['choose' => [3]], 3, ['Last time.', 'You took c.']];
        yield 'nothing written: the facts stand alone' => [self::ONE, null, 1, ['You left a.']];
        yield 'a dash says nothing' => ["one: W\n if wrong: –\n yes: a\n no: b", ['choose' => [2]], 1, []];
        yield 'several choices, in the order written' => ["several: S\n yes: a\n  says: A.\n yes: b\n no: c\n  says: C.", ['choose' => [3, 1]], 1, ['A.', 'C.']];
        yield 'a wording' => ["text: T\n answer: varroa\n  says: Yes.\n answer 50 %: mite\n  says: Which one?", ['text' => 'mite'], 1, ['Which one?']];
        yield 'a span' => ["number: N\n answer: 1 to 2\n  says: Near.\n answer: 5", ['text' => '1.5'], 1, ['Near.']];
        yield 'wordings of gaps' => ["gaps: ___ ___\n gap 1: a\n  says: First.\n gap 2: b\n  says: Second.\n gap 2: c\n  says: Third.", ['gaps' => ['1' => 'a', '2' => 'c']], 1, ['First.', 'Third.']];
        yield 'areas that were hit' => [
            "regions: R\n clicks: 2\n image: f.svg\n  shows: s\n area yes: rectangle 0 0 9 9\n  says: There.\n area no: rectangle 20 0 9 9\n  says: Honey.",
            ['points' => [[21, 1], [50, 50]]],
            1,
            ['Honey.'],
        ];
        yield 'an order has no words of its own' => ["order: O\n if partly right: Nearly.\n marking: parts by place\n item: a\n item: b\n item: c", ['order' => [1, 3, 2]], 1, ['Nearly.']];
    }

    /** @param list<string> $expected */
    #[DataProvider('said')]
    public function test_what_is_said_after_a_response(string $text, mixed $given, int $attempt, array $expected): void
    {
        self::assertSame($expected, self::texts($text, $given, $attempt));
    }

    public function test_what_came_too_late_says_nothing_of_its_own_and_the_house_speaks_where_nothing_was_written(): void
    {
        $question = TextQuestions::one(self::ONE);
        $plan = MarkingPlan::of($question, $question->effective());
        $shown = static fn (int $choice, bool $counts, bool $isLate): array => (new FeedbackChooser())->shown(
            $question,
            $plan,
            $response = Response::choosing([$choice]),
            (new Marker())->mark($plan, $response, late: $isLate),
            1,
            false,
            $counts,
        );

        self::assertSame([null], $shown(1, false, true));
        self::assertSame(['Any time.', 'About b.', 'You left a.'], $shown(2, true, false));
        self::assertSame(['Any time.'], $shown(2, false, false));
    }

    /** @return iterable<string, array{mixed, int, int|null, string}> response, attempt, attempts left, facts */
    public static function facts(): iterable
    {
        yield 'right' => [['choose' => [1]], 1, 2, 'Right: 10 of 10.'];
        yield 'wrong, one left' => [['choose' => [2]], 2, 1, 'Wrong. One attempt left.'];
        yield 'wrong, more left' => [['choose' => [2]], 1, 2, 'Wrong. 2 attempts left.'];
        yield 'wrong, none left' => [['choose' => [2]], 3, 0, 'Wrong.'];
        yield 'wrong, any number' => [['choose' => [2]], 7, null, 'Wrong.'];
        yield 'blank' => [null, 1, 0, 'Left blank.'];
    }

    #[DataProvider('facts')]
    public function test_the_default_states_facts_only(mixed $given, int $attempt, ?int $left, string $expected): void
    {
        $question = TextQuestions::one(self::ONE);
        $settings = $question->effective();
        $verdict = (new Marker())->mark(MarkingPlan::of($question, $settings), $question->kind->response($given, $settings), $attempt);

        self::assertSame($expected, (new FeedbackChooser())->facts($verdict, $left));
    }

    public function test_partly_right_and_out_of_time_have_their_facts(): void
    {
        $question = TextQuestions::one("several: S\n points: 10\n marking: parts\n yes: a\n yes: b\n no: c");
        $plan = MarkingPlan::of($question, $question->effective());
        $half = $question->kind->response(['choose' => [1]], $question->effective());

        self::assertSame('Partly right: 5 of 10. One attempt left.', (new FeedbackChooser())->facts((new Marker())->mark($plan, $half), 1));
        self::assertSame('Time ran out.', (new FeedbackChooser())->facts((new Marker())->mark($plan, $half, late: true), 0));
    }

    /** @return list<string> */
    private static function texts(string $text, mixed $given, int $attempt): array
    {
        $question = TextQuestions::one($text);
        $settings = $question->effective();
        $response = $question->kind->response($given, $settings);
        $plan = MarkingPlan::of($question, $settings);

        return (new FeedbackChooser())->texts($question, $plan, $response, (new Marker())->mark($plan, $response, $attempt), $attempt, isLast: $attempt === ($settings->attempts() ?? 1));
    }
}
