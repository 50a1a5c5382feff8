<?php

declare(strict_types=1);

namespace Zetema\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Blueprint\Outcome\Rung;
use Zetema\Core\Drawing\PassMark;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Sitting\CandidateView;
use Zetema\Core\Sitting\Event;
use Zetema\Core\Sitting\EventType;
use Zetema\Core\Sitting\Paper;
use Zetema\Core\Sitting\Refused;
use Zetema\Core\Sitting\Result;
use Zetema\Core\Sitting\Review;
use Zetema\Core\Sitting\Rules;
use Zetema\Core\Sitting\Sheet;
use Zetema\Core\Sitting\Sitting;

final class SittingTest extends TestCase
{
    private const EGGS = "objective: Frames\none: Which sign?\n points: 10\n wrong costs: 1\n attempts: 2\n attempt costs: 5\n yes: eggs\n  says: They stand.\n no: lids\n  says: Nine days old.\n hint: Look down.\n  costs: 1\n if wrong on attempt 1: Look again.";
    private const NUMBER = "objective: Mites\nnumber: How many?\n points: 5\n attempts: 2\n answer: 14";

    public function test_a_paper_told_at_the_end_marks_what_was_saved_last(): void
    {
        $sitting = self::sat(self::paper(), [[EventType::Saved, 1, [2]], [EventType::Saved, 1, [1]], [EventType::Saved, 2, '12'], [EventType::HandedIn]]);
        $result = Result::of($sitting);

        self::assertSame(['10', '15', '66.66', 1], [(string) $result->earned, (string) $result->max, $result->percent, $result->right]);
        self::assertTrue($result->passed);
    }

    public function test_attempts_run_out_and_the_last_one_stands(): void
    {
        $sitting = self::sat(self::paper(tells: true), [[EventType::Checked, 1, [2]], [EventType::HintOpened, 1], [EventType::Checked, 1, [1]]]);
        $attempts = $sitting->states[0]->attempts;

        self::assertSame(['-1', '4'], array_map(static fn ($a): string => (string) $a->verdict->earned, $attempts));
        self::assertSame('Wrong. One attempt left.', $attempts[0]->facts);
        self::assertSame(['Look again.', 'Nine days old.'], $attempts[0]->said);
        self::assertSame(['They stand.'], $attempts[1]->said);
        self::assertTrue($sitting->states[0]->isClosed($sitting->paper->sheets[0]));
    }

    /** @return iterable<string, array{list<array{0: EventType, 1?: int, 2?: list<int>|string|null}>, array{0: EventType, 1?: int, 2?: list<int>|string|null}, string}> before, wanted, what is said */
    public static function refusals(): iterable
    {
        yield 'a closed question' => [[[EventType::Checked, 1, [1]]], [EventType::Saved, 1, [2]], 'closed'];
        yield 'after handing in' => [[[EventType::HandedIn]], [EventType::Saved, 1, [2]], 'handed in'];
        yield 'checking nothing' => [[], [EventType::Checked, 1, null], 'nothing to check'];
        yield 'a number that cannot be read uses no attempt' => [[], [EventType::Checked, 2, 'a dozen'], 'No attempt was used'];
        yield 'a question that is not there' => [[], [EventType::Flagged, 9], 'no such question'];
        yield 'a second hint where there is one' => [[[EventType::HintOpened, 1]], [EventType::HintOpened, 1], 'no further hint'];
        yield 'beginning twice' => [[], [EventType::Started], 'begun already'];
    }

    /**
     * @param list<array{0: EventType, 1?: int, 2?: list<int>|string|null}> $before
     * @param array{0: EventType, 1?: int, 2?: list<int>|string|null} $wanted
     */
    #[DataProvider('refusals')]
    public function test_what_cannot_be_done_now_is_refused_in_words(array $before, array $wanted, string $words): void
    {
        $sitting = self::sat(self::paper(tells: true), $before);
        $this->expectException(Refused::class);
        $this->expectExceptionMessage($words);

        $sitting->accept(self::event($wanted, 5_000));
    }

    public function test_nothing_is_checked_where_all_is_told_at_the_end(): void
    {
        $this->expectException(Refused::class);

        self::sat(self::paper(), [[EventType::Checked, 1, [1]]]);
    }

    public function test_the_servers_clock_ends_a_sitting_whether_anyone_is_there_or_not(): void
    {
        $sitting = self::sat(self::paper(seconds: 60), [[EventType::Saved, 1, [1]]]);

        self::assertNull($sitting->overdue(60_000), 'not before its time');
        self::assertNull($sitting->overdue(62_900), 'a reply on its way is waited for');
        $end = $sitting->overdue(900_000);
        self::assertNotNull($end);
        self::assertSame(60_000, $end->at, 'it ended when time ran out, not when somebody looked');
        $ended = $sitting->with($end);
        self::assertTrue($ended->ranOut);
        self::assertSame(['10', '10'], [(string) Result::of($ended)->earned, (string) $ended->states[0]->standing($ended->paper->sheets[0])?->verdict->earned]);
    }

    public function test_replaying_the_events_gives_the_same_sitting(): void
    {
        $events = [new Event(EventType::Started, 0), self::event([EventType::Checked, 1, [2]], 1), self::event([EventType::Flagged, 2], 2), self::event([EventType::HandedIn], 3)];
        $paper = self::paper(tells: true);

        self::assertEquals(Sitting::replay($paper, $events), Sitting::replay($paper, $events));
        self::assertSame(4, Sitting::replay($paper, $events)->events);
    }

    public function test_costs_never_take_a_total_below_zero(): void
    {
        $result = Result::of(self::sat(self::paper(), [[EventType::Saved, 1, [2]], [EventType::HandedIn]]));

        self::assertSame(['0', '0', false], [(string) $result->earned, $result->percent, $result->passed]);
    }

    public function test_a_candidate_is_told_no_key_no_marking_and_no_other_feedback(): void
    {
        foreach ([false, true] as $tells) {
            $sitting = self::sat(self::paper(tells: $tells), [[EventType::Saved, 1, [2]], [EventType::Flagged, 2]]);
            $told = json_encode(CandidateView::of($sitting, 5_000), JSON_THROW_ON_ERROR);
            foreach (['They stand', 'Nine days', 'Look again', 'Look down', '"key"', 'wrong costs', 'criteria', '"14"'] as $secret) {
                self::assertStringNotContainsString($secret, $told);
            }
        }
    }

    public function test_choices_are_named_by_their_place_on_the_page_so_that_ids_tell_nothing(): void
    {
        $sheet = new Sheet(TextQuestions::one(self::EGGS), [2, 1]);

        self::assertEquals(Response::choosing([1]), $sheet->fromPage(['choose' => [2]]));
        self::assertSame(['choose' => [2]], $sheet->toPage(Response::choosing([1])));
    }

    /** @return iterable<string, array{Rung, list<string>, list<string>}> rung, shown, not shown */
    public static function rungs(): iterable
    {
        $steps = [['nothing', '"passed":null'], ['passed or not', '"passed":true'], ['total', '"percent":"66.66"'], ['objectives', '"objective":"Frames","earned"'], ['own paper', '"stem"'], ['marked paper', '"outcome":"right"'], ['marked paper with key and feedback', '"key":[{"before":null,"text":"eggs"']];
        foreach ($steps as $i => [$rung, $shown]) {
            yield $rung => [Rung::from($rung), $i === 0 ? [$shown] : array_column(array_slice($steps, 1, $i), 1), array_column(array_slice($steps, $i + 1), 1)];
        }
    }

    /**
     * @param list<string> $shown
     * @param list<string> $hidden
     */
    #[DataProvider('rungs')]
    public function test_the_review_shows_its_rung_and_those_below(Rung $rung, array $shown, array $hidden): void
    {
        $sitting = self::sat(self::paper(rung: $rung), [[EventType::Saved, 1, [1]], [EventType::HandedIn]]);
        $json = json_encode(Review::of($sitting), JSON_THROW_ON_ERROR);

        foreach ($shown as $text) {
            self::assertStringContainsString($text, $json);
        }
        foreach ($hidden as $text) {
            self::assertStringNotContainsString($text, $json);
        }
    }

    private static function paper(bool $tells = false, ?int $seconds = null, Rung $rung = Rung::WithKey): Paper
    {
        $rules = new Rules($seconds, $tells, whoPassesSees: $rung, whoDoesNotSees: Rung::Total);

        return new Paper([new Sheet(TextQuestions::one(self::EGGS), [1, 2]), new Sheet(TextQuestions::one(self::NUMBER), [])], $rules, PassMark::percent('60'));
    }

    /** @param list<array{0: EventType, 1?: int, 2?: list<int>|string|null}> $steps a second apart */
    private static function sat(Paper $paper, array $steps): Sitting
    {
        $sitting = Sitting::of($paper)->with(new Event(EventType::Started, 0));
        foreach ($steps as $i => $step) {
            $sitting = $sitting->with($sitting->accept(self::event($step, 1000 * ($i + 1))));
        }

        return $sitting;
    }

    /** @param array{0: EventType, 1?: int, 2?: list<int>|string|null} $step */
    private static function event(array $step, int $at): Event
    {
        $given = $step[2] ?? null;
        $response = is_array($given) ? Response::choosing($given) : ($given === null ? Response::blank() : Response::typed($given));

        return new Event($step[0], $at, $step[1] ?? null, in_array($step[0], [EventType::Saved, EventType::Checked], true) ? $response : null);
    }
}
