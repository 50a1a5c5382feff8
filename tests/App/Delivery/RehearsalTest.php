<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Delivery;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Data\Fields;
use Zetema\Tests\App\ApiTestCase;

/** Whoever rehearses winds the clock on, has questions answered and takes steps back; and sees what no candidate does. */
final class RehearsalTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->logIn('orrell');
    }

    private function rehearse(int $blueprint): Fields
    {
        return $this->send('POST', "/api/blueprints/$blueprint/rehearsals", ['seed' => 3], 'Sitting', 201);
    }

    /** @param array<string, mixed> $body */
    private function do(Fields $sitting, array $body, int $status = 200): Fields
    {
        return $this->send('POST', '/api/sittings/' . $sitting->integer('id') . '/rehearsal', $body, $status === 200 ? 'Sitting' : null, $status);
    }

    public function test_the_clock_is_wound_on_to_the_end_of_a_question_and_of_the_whole(): void
    {
        $spot = $this->rehearse(6);
        self::assertSame('question', $spot->objects('clocks')[0]->text('of'));
        $out = $this->do($spot, ['do' => 'wind on', 'to' => 'question']);
        self::assertSame(['out of time', true], [$out->objects('questions')[0]->objects('told')[0]->text('outcome'), $out->objects('questions')[0]->flag('closed')]);
        self::assertSame('No time of the section runs now.', $this->do($spot, ['do' => 'wind on', 'to' => 'section'], 422)->text('detail'));

        $paper = $this->rehearse(1);
        $later = $this->do($paper, ['do' => 'wind on', 'to' => 'seconds', 'seconds' => 300]);
        self::assertEqualsWithDelta(300_000, $later->integer('now') - $paper->integer('now'), 3_000);
        self::assertSame($paper->optionalInteger('deadline'), $later->optionalInteger('deadline'), 'the time is used up');
        $over = $this->do($paper, ['do' => 'wind on', 'to' => 'whole']);
        self::assertSame(['ended', true], [$over->text('phase'), $over->flag('ranOut')]);
    }

    public function test_a_stopped_clock_stands_and_goes_on_from_there(): void
    {
        $sitting = $this->rehearse(6);
        $stopped = $this->do($sitting, ['do' => 'stop']);
        self::assertTrue($stopped->object('watch')->flag('stopped'));
        usleep(1_100_000);
        $still = $this->send('GET', '/api/sittings/' . $sitting->integer('id'), schema: 'Sitting');
        self::assertSame($stopped->integer('now'), $still->integer('now'));
        $on = $this->do($sitting, ['do' => 'go on']);
        self::assertLessThan(1_000, $on->integer('now') - $stopped->integer('now'));
    }

    /** @return iterable<string, array{string, string, string}> how, outcome of each, and of how much */
    public static function ways(): iterable
    {
        yield 'rightly' => ['rightly', 'right', '100'];
        yield 'wrongly' => ['wrongly', 'wrong', '0'];
    }

    #[DataProvider('ways')]
    public function test_all_that_is_to_come_is_answered_up_to_the_end(string $how, string $outcome, string $percent): void
    {
        $sitting = $this->rehearse(1);
        $end = $this->do($sitting, ['do' => 'answer', 'how' => $how, 'rest' => true]);
        self::assertSame(['end', 'running'], [$end->object('screen')->text('sort'), $end->text('phase')]);
        $this->act($end, ['type' => 'handed in']);
        $review = $this->send('GET', '/api/sittings/' . $sitting->integer('id') . '/review', schema: 'Review');
        self::assertSame($percent, $review->object('total')->text('percent'));
        self::assertSame(array_fill(0, 15, $outcome), array_map(static fn (Fields $q): string => $q->text('outcome'), $review->objects('questions')));
    }

    public function test_every_kind_of_question_is_answered_as_is_wanted(): void
    {
        foreach (['rightly' => ['right'], 'wrongly' => ['wrong'], 'by chance' => ['right', 'wrong', 'partly right', 'recorded']] as $how => $outcomes) {
            $told = $this->do($this->rehearse(3), ['do' => 'answer', 'how' => $how]);
            self::assertCount(7, $told->objects('questions'));
            foreach ($told->objects('questions') as $question) {
                self::assertContains($question->objects('told')[0]->text('outcome'), $question->text('kind') === 'rating' ? ['recorded'] : $outcomes, $question->text('kind'));
            }
        }
        $partly = $this->do($this->rehearse(3), ['do' => 'answer', 'how' => 'partly']);
        $outcomes = array_merge(...array_map(static fn (Fields $q): array => array_map(static fn (Fields $t): string => $t->text('outcome'), $q->objects('told')), $partly->objects('questions')));
        self::assertSame(['partly right', 'recorded'], array_values(array_unique($outcomes)));
    }

    public function test_a_step_back_is_as_if_it_had_not_been_taken(): void
    {
        $begun = $this->rehearse(2);
        $wrong = $this->do($begun, ['do' => 'answer', 'how' => 'wrongly']);
        $this->do($begun, ['do' => 'answer', 'how' => 'rightly']);
        $back = $this->do($begun, ['do' => 'back']);
        self::assertEquals($wrong->objects('questions')[0]->raw(), $back->objects('questions')[0]->raw());
        $first = $this->do($begun, ['do' => 'back']);
        self::assertEquals($begun->objects('questions')[0]->raw(), $first->objects('questions')[0]->raw());
        self::assertSame('This is the beginning.', $this->do($begun, ['do' => 'back'], 422)->text('detail'));
        $again = $this->do($begun, ['do' => 'answer', 'how' => 'rightly']);
        self::assertSame('right', $again->objects('questions')[0]->objects('told')[0]->text('outcome'));
    }

    public function test_tallies_ways_and_events_are_watched(): void
    {
        $profile = $this->do($this->rehearse(5), ['do' => 'answer', 'how' => 'by chance', 'rest' => true])->object('watch');
        self::assertNotSame([], array_filter($profile->objects('tallies'), static fn (Fields $tally): bool => $tally->integer('value') > 0));
        self::assertSame(range(1, 8), array_map(static fn (Fields $one): int => $one->integer('n'), $profile->objects('given')), 'what was given where nothing is graded');
        $day = $this->do($this->rehearse(4), ['do' => 'answer', 'how' => 'wrongly', 'rest' => true])->object('watch');
        self::assertSame([], $day->items('given'));
        self::assertNotSame([], $day->objects('routes'));
        self::assertContains('started', array_map(static fn (Fields $event): string => $event->text('kind'), $day->objects('events')));
    }

    public function test_nobody_elses_and_no_candidates_sitting_is_conducted(): void
    {
        $sitting = $this->rehearse(6);
        foreach (
            [
                ['do' => 'wind on', 'to' => 'seconds', 'seconds' => 0],
                ['do' => 'wind on', 'to' => 'seconds', 'seconds' => 999_999],
                ['do' => 'wind on', 'to' => 'moon'],
                ['do' => 'answer', 'how' => 'nicely'],
                ['do' => 'dance'],
            ] as $wrong
        ) {
            $this->do($sitting, $wrong, 422);
        }
        $this->logIn('penhale');
        $this->do($sitting, ['do' => 'back'], 404);
        $this->logIn('carrow');
        $this->do($this->begin('/api/editions/6/sittings'), ['do' => 'wind on', 'to' => 'question'], 403);
    }

    /** @param array<string, mixed> $body */
    private function from(array $body): Fields
    {
        return $this->send('POST', '/api/blueprints/4/rehearsals', ['seed' => 3, ...$body], 'Sitting', 201);
    }

    public function test_it_begins_at_any_step_with_what_was_reached_before(): void
    {
        $document = $this->send('GET', '/api/blueprints/4')->object('document');
        $steps = array_merge(...array_map(static fn (Fields $section): array => $section->objects('steps'), $document->objects('sections')));
        $checkpoints = array_values(array_filter($steps, static fn (Fields $step): bool => $step->has('checkpoint') && $step->object('checkpoint')->objects('routes') !== []));
        $ways = [];
        foreach (['0', '16'] as $earned) {
            $sitting = $this->from(['from' => $checkpoints[0]->text('id'), 'assumed' => ['earned' => $earned, 'max' => '16']]);
            $ways[] = $sitting->object('watch')->objects('routes')[0]->integer('to');
            $this->act($this->do($sitting, ['do' => 'answer', 'how' => 'rightly', 'rest' => true]), ['type' => 'handed in']);
            $total = $this->send('GET', '/api/sittings/' . $sitting->integer('id') . '/review', schema: 'Review')->object('total');
            self::assertGreaterThanOrEqual((float) $earned, (float) $total->text('earned'));
            self::assertGreaterThanOrEqual(16, (float) $total->text('max'));
        }
        self::assertNotSame($ways[0], $ways[1], 'points reached before decide the way');
        $last = end($steps);
        self::assertInstanceOf(Fields::class, $last);
        self::assertSame('running', $this->from(['from' => $last->text('id')])->text('phase'));
        self::assertSame('This is the beginning.', $this->do($this->from(['from' => $last->text('id')]), ['do' => 'back'], 422)->text('detail'));
        $this->send('POST', '/api/blueprints/4/rehearsals', ['from' => 'nowhere'], status: 422);
        $this->send('POST', '/api/blueprints/4/rehearsals', ['from' => $last->text('id'), 'assumed' => ['earned' => 'many']], status: 422);
    }

    public function test_tallies_that_are_assumed_are_counted_on(): void
    {
        $steps = $this->send('GET', '/api/blueprints/5')->object('document')->objects('sections')[0]->objects('steps');
        $sitting = $this->send('POST', '/api/blueprints/5/rehearsals', ['seed' => 3, 'from' => $steps[count($steps) - 1]->text('id'), 'assumed' => ['tallies' => ['calm' => 30, 'nothing known' => 2]]], 'Sitting', 201);
        $tallies = array_map(static fn (Fields $tally): int => $tally->integer('value'), $sitting->object('watch')->objects('tallies'));
        self::assertContains(30, $tallies);
        // It is the same after it was stored and read again.
        self::assertSame(
            $tallies,
            array_map(
                static fn (Fields $tally): int => $tally->integer('value'),
                $this->send('GET', '/api/sittings/' . $sitting->integer('id'))
                    ->object('watch')
                    ->objects('tallies'),
            ),
        );
    }
}
