<?php

declare(strict_types=1);

namespace Zetema\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Drawing\ChoiceOrder;
use Zetema\Core\Drawing\PassMark;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Sitting\CandidateView;
use Zetema\Core\Sitting\Event;
use Zetema\Core\Sitting\EventType;
use Zetema\Core\Sitting\Paper;
use Zetema\Core\Sitting\Refused;
use Zetema\Core\Sitting\Result;
use Zetema\Core\Sitting\Rules;
use Zetema\Core\Sitting\Sheet;
use Zetema\Core\Sitting\Sitting;

/** Sittings with a question of every kind in which anything is tried in any order: whatever is accepted, this holds after every event. */
final class SittingModelTest extends TestCase
{
    private const EVENTS = 120;
    private const SECONDS = 600;

    /** @return iterable<string, array{int, bool}> seed, whether all is told at once */
    public static function sittings(): iterable
    {
        for ($seed = 1; $seed <= 12; ++$seed) {
            yield "seed $seed, told at once" => [$seed, true];
            yield "seed $seed, told at the end" => [$seed, false];
        }
    }

    #[DataProvider('sittings')]
    public function test_whatever_is_tried_in_any_order(int $seed, bool $tells): void
    {
        $chance = new Chance($seed);
        $paper = self::paper($chance, $tells);
        $sitting = Sitting::of($paper)->with(new Event(EventType::Started, 0));
        $accepted = [new Event(EventType::Started, 0)];
        $refused = 0;
        for ($at = 1; $at <= self::EVENTS; ++$at) {
            $event = self::attempted($chance, $paper, 1000 * $at);
            $before = $sitting;
            try {
                $sitting = $sitting->with($sitting->accept($event));
                $accepted[] = $event;
            } catch (Refused $e) {
                ++$refused;
                self::assertNotSame('', $e->getMessage());
                self::assertEquals($before, $sitting, 'what was refused changed nothing');
                continue;
            }
            self::assertSame(count($accepted), $sitting->events);
            self::holds($before, $sitting, $event);
        }
        $half = intdiv(count($accepted), 2);
        $later = Sitting::replay($paper, array_slice($accepted, 0, $half));
        foreach (array_slice($accepted, $half) as $event) {
            $later = $later->with($event);
        }

        self::assertGreaterThan(0, $refused, 'something was tried that cannot be done');
        self::assertEquals($sitting, Sitting::replay($paper, $accepted), 'the events tell all');
        self::assertEquals($sitting, $later, 'from any point on');
        self::isHandedIn($sitting);
        self::runsOut($sitting);
    }

    /** What holds after every event that was accepted. */
    private static function holds(Sitting $before, Sitting $after, Event $event): void
    {
        foreach ($after->paper->sheets as $i => $sheet) {
            [$was, $is] = [$before->states[$i], $after->states[$i]];
            if ($event->sheet !== $i + 1) {
                self::assertEquals($was, $is, 'other questions stay as they are');
            }
            self::assertSame($was->attempts, array_slice($is->attempts, 0, count($was->attempts)), 'no attempt is ever changed');
            self::assertLessThanOrEqual($sheet->settings->attempts() ?? PHP_INT_MAX, count($is->attempts));
            self::assertLessThanOrEqual(count($sheet->question->hints), $is->hintsOpened);
            self::assertTrue(!$was->isClosed($sheet) || $is->isClosed($sheet), 'closed stays closed');
            foreach ($is->attempts as $n => $attempt) {
                self::assertSame($n + 1, $attempt->number);
                self::assertLessThanOrEqual(0, $attempt->verdict->earned->compare($sheet->plan->max()), 'nothing earns more than it is worth');
            }
        }
        self::assertTrue($after->isRunning());
        $seen = (string) json_encode(CandidateView::of($after, $event->at));
        self::assertStringNotContainsString('"key"', $seen);
        self::assertStringNotContainsString('"working"', $seen);
    }

    private static function isHandedIn(Sitting $sitting): void
    {
        $ended = $sitting->with($sitting->accept(new Event(EventType::HandedIn, 1000 * self::EVENTS + 1)));
        $sum = $max = Ratio::zero();
        foreach ($ended->paper->sheets as $i => $sheet) {
            $standing = $ended->states[$i]->standing($sheet);
            self::assertNotNull($standing, 'every question has its mark');
            $sum = $sum->plus($standing->verdict->earned->exact());
            $max = $max->plus($sheet->plan->max()->exact());
        }
        $result = Result::of($ended);

        self::assertTrue($result->max->exact()->isEqualTo($max));
        self::assertTrue($result->earned->exact()->isEqualTo($sum->isNegative() ? Ratio::zero() : $sum), 'the total is the sum of what stands, not below 0');
        self::assertSame($result->passed, !$result->earned->exact()->multipliedBy(100)->minus($max->multipliedBy(60))->isNegative(), 'compared exactly');
        foreach ([EventType::Saved, EventType::Checked, EventType::HintOpened, EventType::Flagged, EventType::HandedIn, EventType::Started] as $type) {
            try {
                $ended->accept(new Event($type, 1000 * self::EVENTS + 2, 1, Response::blank()));
                self::fail($type->value . ' after handing in');
            } catch (Refused $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }
    }

    private static function runsOut(Sitting $sitting): void
    {
        self::assertNull($sitting->overdue(1000 * self::SECONDS), 'there is a moment of grace');
        $event = $sitting->overdue(1000 * self::SECONDS + 60_000);
        self::assertNotNull($event);
        self::assertSame(1000 * self::SECONDS, $event->at, 'it ends when the time was up, whenever that is noticed');
        $ended = $sitting->with($event);
        self::assertSame([false, true], [$ended->isRunning(), $ended->ranOut]);
        self::assertNull($ended->overdue(PHP_INT_MAX), 'once');
    }

    private static function paper(Chance $chance, bool $tells): Paper
    {
        $kinds = [];
        foreach (DemoQuestionsTest::questions() as [$question]) {
            $kinds[$question->kind::id()->value][] = $question;
        }
        $sheets = array_map(static function (array $questions) use ($chance): Sheet {
            $question = $questions[$chance->below(count($questions))];

            return new Sheet($question, ChoiceOrder::of($question, true, $chance));
        }, array_values($kinds));

        return new Paper($sheets === [] ? self::fail('the demo has questions') : $sheets, new Rules(self::SECONDS, $tells), PassMark::percent('60'));
    }

    /** Something that a page could send, or could not. */
    private static function attempted(Chance $chance, Paper $paper, int $at): Event
    {
        $types = [EventType::Saved, EventType::Saved, EventType::Checked, EventType::Checked, EventType::HintOpened, EventType::Flagged, EventType::Unflagged, EventType::Started];
        $type = $types[$chance->below(count($types))];
        $n = 1 + $chance->below(count($paper->sheets) + 1); // one beyond the last is no question
        $sheet = $paper->sheets[$n - 1] ?? null;

        return new Event($type, $at, $n, in_array($type, [EventType::Saved, EventType::Checked], true) && $sheet !== null ? self::response($chance, $sheet->question) : null);
    }

    private static function response(Chance $chance, Question $question): Response
    {
        $telling = iterator_to_array((static fn () => yield from $question->kind->telling($question->effective()))(), false);

        return $chance->below(6) === 0 || $telling === [] ? Response::blank() : $telling[$chance->below(count($telling))];
    }
}
