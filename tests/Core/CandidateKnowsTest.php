<?php

declare(strict_types=1);

namespace Zetema\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Blueprint\Outcome\Rung;
use Zetema\Core\Blueprint\Plain\PlainRules;
use Zetema\Core\Data\Fields;
use Zetema\Core\Drawing\DealingPlan;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Question\Mentions;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Sitting\Paper\PaperMaker;
use Zetema\Tests\Core\Sitting\PlainSitting;

/** What a candidate is told, and what not: costs, hints, clicks, pages and pictures. */
final class CandidateKnowsTest extends TestCase
{
    private const MITES = "regions: Where?\n image: floor.svg\n  size: 100 100\n  shows: A floor\n area yes: rectangle 0 0 10 10\n  name: Where the mites lie\n area no: rectangle 50 50 9 9\n  name: Wax";

    /** @return iterable<string, array{string, list<string>, list<string>}> text, pages, files */
    public static function texts(): iterable
    {
        yield 'a page' => ['Read (page:x) and [this](page:why%20eggs%20matter).', ['x', 'why eggs matter'], []];
        yield 'a page with brackets in its name' => ['[here](page:eggs%20(fresh))', ['eggs (fresh)'], []];
        yield 'a picture' => ['![a *key*](key.svg) and ![x](  <b.png> "title")', [], ['key.svg', 'b.png']];
        yield 'a name within another is not mentioned' => ['![x](monkey.svg)', [], ['monkey.svg']];
        yield 'a word alone is no picture' => ['key.svg', [], []];
        yield 'names that are no text' => ['(page:%E0%A4%A) ![x](%E0%A4%A)', [], []];
        yield 'names that PHP takes for numbers' => ['(page:42) ![x](7)', ['42'], ['7']];
    }

    /**
     * @param list<string> $pages
     * @param list<string> $files
     */
    #[DataProvider('texts')]
    public function test_what_a_text_mentions_is_named_whole(string $text, array $pages, array $files): void
    {
        $mentions = new Mentions();
        $mentions->inTexts($text);

        self::assertSame([$pages, $files], [$mentions->pages(), $mentions->files()]);
    }

    public function test_what_a_candidate_typed_mentions_nothing(): void
    {
        $question = "text: Read ![it](shown.svg)\n answer: x\n if wrong: Look at ![that](later.svg)\n hint: See (page:help)";
        $typed = Response::typed('(page:secret) ![x](secret.svg)');
        $run = self::begun([$question], new PlainRules(null, true))->saved(1, $typed);
        $run->view($running = new Mentions());
        $run->handedIn()->review(null, $ended = new Mentions());

        self::assertSame([[], ['shown.svg']], [$running->pages(), $running->files()]);
        self::assertSame([[], ['shown.svg', 'later.svg']], [$ended->pages(), $ended->files()]);
    }

    /** @return iterable<string, array{Rung, list<string>, int}> rung, the click in words, areas shown */
    public static function clicks(): iterable
    {
        yield 'the own paper tells where, not what was hit' => [Rung::OwnPaper, ['at 3, 3'], 0];
        yield 'so does the marked one' => [Rung::MarkedPaper, ['at 3, 3'], 0];
        yield 'with the key it is told' => [Rung::WithKey, ['Where the mites lie'], 1];
    }

    /** @param list<string> $words */
    #[DataProvider('clicks')]
    public function test_a_click_tells_what_it_hit_only_with_the_key(Rung $rung, array $words, int $areas): void
    {
        $run = self::begun([self::MITES], new PlainRules(whoPassesSees: $rung, whoDoesNotSees: $rung))
            ->saved(1, Response::clicking([[3, 3]]))
            ->handedIn();
        $review = $run->review()->objects('questions')[0];

        self::assertSame($words, array_map(static fn (Fields $line): string => $line->text('text'), $review->objects('response')));
        self::assertSame([[3, 3]], $review->object('picture')->items('clicks'));
        self::assertCount($areas, $review->object('picture')->items('areas'));
    }

    /** @return iterable<string, array{Rung, string}> rung, what stands at the answers by their places */
    public static function atAnswers(): iterable
    {
        yield 'the own paper shows what was chosen' => [Rung::OwnPaper, ''];
        yield 'the marked one does not tell which of several were right' => [Rung::MarkedPaper, ''];
        yield 'with the key each has its outcome' => [Rung::WithKey, '1 right, 2 wrong, 3 right'];
    }

    #[DataProvider('atAnswers')]
    public function test_a_question_is_reviewed_as_it_was_seen(Rung $rung, string $at): void
    {
        $review = self::begun(["several: W?\n yes: a\n no: b\n yes: c\n shuffle: no"], new PlainRules())
            ->saved(1, Response::choosing([1, 2]))
            ->handedIn()
            ->review($rung)
            ->objects('questions')[0];

        self::assertSame([['a', 'b', 'c'], ['choose' => [1, 2]]], [$review->object('answers')->items('choices'), $review->object('given')->raw()]);
        self::assertSame($at, implode(', ', array_map(static fn (Fields $one): string => $one->integer('n') . ' ' . $one->text('outcome'), $review->objects('atAnswers'))));
    }

    /** @return iterable<string, array{string, array<int, string>, string}> question, what was given by part, what stands at the parts with the key */
    public static function parts(): iterable
    {
        $pairs = "pairs: W?\n pair: skep\n  with: straw\n pair: frame\n  with: wood\n pair: comb\n  with: wax";
        $groups = "groups: W?\n group: Lid\n  item: roof\n  item: straw\n group: Floor\n  item: roof";
        yield 'pairs, one of them left empty' => [$pairs, [1 => '1', 3 => '2'], '1 right, 3 wrong'];
        yield 'items with the same text are interchangeable' => [$groups, [1 => '2', 2 => '2', 3 => '1'], 'roof right, roof right, straw wrong'];
        yield 'as far as they go' => [$groups, [1 => '2', 3 => '2'], 'roof right, roof wrong'];
        yield 'gaps: a wording that is worth a share, a typo and an entry of a list' => [
            "gaps: A ___, ___ and ___\n gap 1: queen\n gap 1 50%: bee\n gap 2: drone\n gap 3 yes: egg\n gap 3 no: lid",
            [1 => 'bee', 2 => 'drome', 3 => '1'],
            '1 partly right, 2 wrong, 3 right',
        ];
        yield 'weighed, where what is right may earn nothing' => [
            "gaps: A ___ and ___\n marking: weighed\n gap 1: queen\n  earns: 0\n gap 2: drone\n  earns: 2\n  loses: 1",
            [1 => 'queen', 2 => 'egg'],
            '1 right, 2 wrong',
        ];
    }

    /** @param array<int, string> $given */
    #[DataProvider('parts')]
    public function test_each_part_has_its_outcome_where_the_key_is_told(string $question, array $given, string $at): void
    {
        $run = self::begun([$question], new PlainRules());
        $kind = TextQuestions::one($question)->kind::id()->facts();
        $run = $run->saved(1, Response::mapping($kind->field, $given))->handedIn();
        foreach ([[Rung::MarkedPaper, ''], [Rung::WithKey, $at]] as [$rung, $told]) {
            $reviewed = $run->review($rung)->objects('questions')[0];
            $texts = $reviewed->object('answers')->texts('items', optional: true);
            $found = array_map(static fn (Fields $one): string => ($texts[$one->integer('n') - 1] ?? $one->integer('n')) . ' ' . $one->text('outcome'), $reviewed->objects('atAnswers'));
            sort($found);
            self::assertSame($told, implode(', ', $found));
        }
    }

    public function test_typed_lines_are_told_apart_from_an_authors_text(): void
    {
        $question = "gaps: A ___ and ___\n gap 1: *x*\n gap 2 yes: *b*\n gap 2 no: c";
        $kind = TextQuestions::one($question)->kind;
        $lines = $kind->inWords(Response::mapping('gaps', [1 => '*typed*', 2 => '1']));

        self::assertSame([['before' => '1', 'text' => '*typed*', 'typed' => true], ['before' => '2', 'text' => '*b*', 'typed' => false]], array_map(static fn ($l): array => $l->toData(), $lines));
        self::assertSame([true, false], array_map(static fn ($l): bool => $l->typed, $kind->keyInWords()));
    }

    /** @return iterable<string, array{string, bool, string|null}> settings, whether worth is shown, costs told */
    public static function costs(): iterable
    {
        yield 'what a wrong answer costs' => [' wrong costs: 2', true, '2'];
        yield 'no more than the floor lets it' => [" wrong costs: 2\n floor: -1", true, '1'];
        yield 'nothing at a floor of 0' => [" wrong costs: 2\n floor: 0", true, null];
        yield 'nothing where nothing is graded' => [" wrong costs: 2\n graded: no", true, null];
        yield 'nothing where worth is not shown' => [' wrong costs: 2', false, null];
    }

    #[DataProvider('costs')]
    public function test_a_candidate_is_told_what_a_wrong_answer_costs(string $settings, bool $shows, ?string $told): void
    {
        $question = self::view(self::begun(["one: W?\n yes: a\n no: b\n points: 5\n" . $settings], new PlainRules(showsWorth: $shows)));

        self::assertSame($told, $question->optionalText('wrongCosts'));
        self::assertSame(!str_contains($settings, 'graded'), $question->flag('graded'));
    }

    public function test_a_hint_that_can_never_open_is_not_offered(): void
    {
        $question = "one: W?\n yes: a\n no: b\n no: c\n attempts: 2\n hint: early\n hint: late\n  from attempt: 2\n hint: never\n  from attempt: 3";
        $run = self::begun([$question], new PlainRules(null, true));
        self::assertTrue(self::view($run)->object('nextHint')->flag('open'));
        $run->hint(1);
        self::assertFalse(self::view($run)->object('nextHint')->flag('open'), 'it opens at the second attempt');
        self::assertSame('4', self::view(self::begun([str_replace('hint: early', "points: 5\n hint: early\n  costs: 1", $question)], new PlainRules(null, true))->hint(1))->text('worthNow'));
        $run->checked(1, Response::choosing([2]))->hint(1);
        self::assertNull(self::view($run)->optionalObject('nextHint'), 'there is no third attempt');
        $atTheEnd = self::begun([$question], new PlainRules())->hint(1);
        self::assertNull(self::view($atTheEnd)->optionalObject('nextHint'), 'nothing is checked here, so there is no second attempt');
    }

    public function test_what_is_not_graded_or_only_recorded_is_neither_right_nor_asked(): void
    {
        $questions = ["one: W?\n yes: a\n no: b", "one: W?\n yes: a\n no: b\n graded: no", "rating: R?\n scale: 1 to 5"];
        $run = self::begun($questions, new PlainRules());
        foreach ([1, 2, 3] as $n) {
            $run->saved($n, Response::choosing([1]));
        }
        $review = $run->handedIn()->review();

        self::assertSame([1, 1], [$review->object('total')->integer('right'), $review->object('total')->integer('asked')]);
        self::assertStringContainsString('"right":1,"asked":1', json_encode($review->raw()['objectives'], JSON_THROW_ON_ERROR));
    }

    public function test_partly_right_with_all_points_says_why(): void
    {
        $plan = self::plan(TextQuestions::one("groups: W?\n marking: parts\n points: 4\n group: G\n item: a\n group: H\n item: b\n spare item: c"));
        $verdict = (new Marker())->mark($plan, Response::mapping('groups', [1 => '1', 2 => '2', 3 => '1']));

        self::assertSame(['partly right', '4'], [$verdict->outcome->value, (string) $verdict->earned]);
        self::assertStringContainsString('something wrong beside it, which costs nothing here', $verdict->working[0]);
    }

    /** @return iterable<string, array{list<int>, string, string}> chosen, outcome, earned of 4 */
    public static function scaled(): iterable
    {
        yield 'the heaviest' => [[1], 'right', '4'];
        yield 'the middle one' => [[2], 'partly right', '2.5'];
        yield 'a negative one, not below the floor of −1 of 8' => [[3], 'wrong', '-0.5'];
    }

    /** @param list<int> $chosen */
    #[DataProvider('scaled')]
    public function test_a_draws_points_scale_what_a_weighed_question_says_in_points(array $chosen, string $outcome, string $earned): void
    {
        $plan = self::plan(TextQuestions::one("one: W?\n marking: weighed\n yes 8: a\n no 5: b\n no -2: c\n blank costs: 2\n floor: -1"), '4');
        $verdict = (new Marker())->mark($plan, Response::choosing($chosen));

        self::assertSame([$outcome, $earned, '4'], [$verdict->outcome->value, (string) $verdict->earned, (string) $verdict->max]);
        self::assertSame('-0.5', (string) (new Marker())->mark($plan, Response::blank())->earned);
    }

    public function test_names_of_pools_and_pairs_are_found_in_a_blueprint(): void
    {
        $blueprint = DealingPlan::fromData(Fields::ofJson('{"steps":[{"question":"fixed"},{"draw":{"take":1,"pool":{"only":["a"],"without":["b"],"also":["a","c"]}}}],"apart":[["d","b"]]}'));

        self::assertEqualsCanonicalizing(['a', 'b', 'c', 'd'], $blueprint->named());
    }

    /** @param list<string> $questions */
    private static function begun(array $questions, PlainRules $rules): PlainSitting
    {
        return new PlainSitting(PaperMaker::ofQuestions(array_map(TextQuestions::one(...), $questions), $rules));
    }

    private static function view(PlainSitting $run): Fields
    {
        return $run->view()->objects('questions')[0];
    }

    /** @param string|null $points that a draw gives it */
    private static function plan(Question $question, ?string $points = null): MarkingPlan
    {
        return MarkingPlan::of($question, $question->effective(step: $points === null ? null : Settings::of(['points' => $points])));
    }
}
