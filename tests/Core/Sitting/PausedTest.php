<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Sitting;

use PHPUnit\Framework\Attributes\DataProvider;

/** While a sitting is paused no time passes in it. */
final class PausedTest extends SatCase
{
    /** @return iterable<string, array{array<string, mixed>, string, array<string, mixed>, list<array{clock: string, at: string}>}> the blueprint's fields, events, terms, which clock ran out when */
    public static function clocks(): iterable
    {
        $timed = [self::set('trim', ['time' => '60 s']), self::q('oar')];
        $whole = self::whole([self::q('trim'), self::q('oar')], ['rules' => ['time' => '60 s']]);

        yield 'a question’s' => [self::whole($timed), '0 start; 20 pause; 100 resume', ['now' => '200'], [['clock' => 'question trim', 'at' => '140']]];
        yield 'a section’s' => [self::whole([self::q('trim'), self::q('oar')], section: ['time' => '60 s']), '0 start; 20 pause; 100 resume', ['now' => '200'], [['clock' => 'section a', 'at' => '140']]];
        yield 'the whole’s' => [$whole, '0 start; 20 pause; 100 resume', ['now' => '200'], [['clock' => 'whole', 'at' => '140']]];
        yield 'the closing time' => [self::whole([self::q('trim')]), '0 start; 20 pause; 100 resume', ['until' => '60', 'now' => '200'], [['clock' => 'until', 'at' => '140']]];
        yield 'twice' => [$whole, '0 start; 20 pause; 30 resume; 40 pause; 60.5 resume', ['now' => '200'], [['clock' => 'whole', 'at' => '90.5']]];
        yield 'none while it is paused' => [$whole, '0 start; 20 pause', ['now' => '4000'], []];
        yield 'one due when it goes on comes after that' => [$whole, '0 start; 59 pause; 70 resume', ['now' => '71'], [['clock' => 'whole', 'at' => '71']]];
        yield 'time given meanwhile' => [$whole, '0 start; 20 pause; 50 give time 30; 100 resume', ['now' => '300'], [['clock' => 'whole', 'at' => '170']]];
        yield 'a second pause changes nothing' => [$whole, '0 start; 20 pause; 50 pause; 100 resume', ['now' => '300'], [['clock' => 'whole', 'at' => '140']]];
        yield 'a question that is shown after it' => [
            self::whole([self::q('oar'), self::set('trim', ['time' => '60 s'])]),
            '0 start; 5 pause; 25 resume; 30 go on',
            ['now' => '200'],
            [['clock' => 'question trim', 'at' => '90']],
        ];
    }

    /**
     * @param array<string, mixed> $fields
     * @param array<string, mixed> $terms
     * @param list<array{clock: string, at: string}> $ran
     */
    #[DataProvider('clocks')]
    public function test_its_clocks_end_later_by_as_long_as_it_stood_still(array $fields, string $events, array $terms, array $ran): void
    {
        $sat = self::sat(self::plan([], $fields), $events, $terms);

        self::assertSame([], $sat['refused']);
        self::assertSame($ran, $sat['ran']);
    }

    public function test_a_clock_that_is_due_at_the_very_moment_acts_first(): void
    {
        $plan = self::plan([], self::whole([self::q('trim')], ['rules' => ['time' => '60 s']]));

        self::assertCame(['refused' => '2 do/ended', 'ran' => 'whole 60', 'ended.how' => 'whole ran out'], self::sat($plan, '0 start; 60 pause', ['now' => '70']));
        self::assertCame(['refused' => '', 'ran' => '', 'position' => 'trim'], self::sat($plan, '0 start; 59.999 pause', ['now' => '70']));
    }

    public function test_what_was_sent_as_it_was_paused_came_with_the_pause(): void
    {
        $plan = self::plan([self::set('trim', ['time' => '60 s'])]);
        $sat = self::sat($plan, '0 start; 20 pause; 23 check trim {"choose":[1]}; 100 resume; 101 go on', ['now' => '102']);
        $late = self::sat($plan, '0 start; 20 pause; 23.001 check trim {"choose":[1]}; 100 resume', ['now' => '102']);

        self::assertCame(['refused' => '', 'steps.trim.outcome' => 'right', 'steps.trim.closed' => '20', 'steps.trim.took' => '20'], $sat);
        self::assertCame(['refused' => '3 do/paused', 'steps.trim.outcome' => null], $late);
    }

    public function test_a_hint_that_opens_later_waits_for_time_that_passed_in_the_sitting(): void
    {
        $plan = self::plan([self::q('trim')]);
        $before = '0 start; 1 hint trim; 2 check trim {"choose":[2]}; 5 pause; 65 resume;';

        self::assertSame([['event' => 6, 'why' => 'hint/tooSoon']], self::sat($plan, "$before 71 hint trim")['refused']);
        self::assertSame([], self::sat($plan, "$before 72 hint trim")['refused']);
    }

    public function test_a_pause_that_nobody_ends_closes_the_sitting_after_twelve_hours(): void
    {
        $sat = self::sat(self::plan([self::q('trim')]), '0 start; 10 save trim {"choose":[1]}; 20 pause', ['now' => '50000']);

        self::assertCame(['ended.how' => 'closed by staff', 'ended.at' => '43220', 'paused' => '43200', 'ran' => '', 'steps.trim.outcome' => 'right', 'steps.trim.took' => '20'], $sat);
    }

    public function test_times_leave_it_out_and_the_result_tells_it(): void
    {
        $sat = self::sat(self::plan([self::q('trim'), self::q('oar')]), '0 start; 20 pause; 100.5 resume; 110 check trim {"choose":[1]}; 111 go on; 120 check oar {"choose":[1]}; 121 hand in', [
            'until' => '90',
            'now' => '130',
        ]);

        // It would have closed at 90, were its closing time not moved.
        self::assertCame(['paused' => '80.5', 'steps.trim.took' => '29.5', 'steps.oar.took' => '9', 'ended.how' => 'handed in', 'ended.at' => '121'], $sat);
    }
}
