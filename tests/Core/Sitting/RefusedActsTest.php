<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Sitting;

use PHPUnit\Framework\Attributes\DataProvider;
use Zetema\Core\Sitting\Act\Refusal;
use Zetema\Core\Sitting\Outside\SittingFile;
use Zetema\Core\Sitting\Outside\SittingRun;

/** What cannot be done is refused with its reason, the first that applies; nothing changes but what the clock did. */
final class RefusedActsTest extends SatCase
{
    /** @return iterable<string, array{string, array<string, mixed>, string}> events before, the act, why it is refused */
    public static function acts(): iterable
    {
        $choose = ['response' => ['choose' => [1]]];

        yield 'no such act' => ['0 start', self::act('show'), 'do/unknown'];
        yield 'no act' => ['0 start', ['at' => '5'], 'do/unknown'];
        yield 'no such act goes before its time' => ['0 start', ['at' => 5, 'do' => 'x'], 'do/unknown'];
        yield 'no moment' => ['0 start', self::act('go on', when: '1.2345'), 'at/malformed'];
        yield 'a number is no moment' => ['0 start', ['at' => 5, 'do' => 'go on'], 'at/malformed'];
        yield 'a start is at 0' => ['', self::act('start'), 'at/malformed'];
        yield 'before an earlier one' => ['0 start; 9 flag trim', self::act('go on'), 'at/backwards'];
        yield 'a field is missing' => ['0 start', self::act('save', ['question' => 'trim']), 'response/missing'];
        yield 'both fields of which one is needed are missing' => ['0 start', self::act('go to'), 'question/missing'];
        yield 'both are there' => ['0 start', self::act('go to', ['question' => 'trim', 'step' => 'p']), 'step/unexpected'];
        yield 'a field too many' => ['0 start', self::act('go on', ['question' => 'trim']), 'question/unexpected'];
        yield 'a name that is none' => ['0 start', self::act('hint', ['question' => 7]), 'question/malformed'];
        yield 'a response that is none' => ['0 start', self::act('save', ['question' => 'trim', 'response' => 'x']), 'response/malformed'];
        yield 'on is true or false' => ['0 start', self::act('flag', ['question' => 'trim', 'on' => 1]), 'on/malformed'];
        yield 'no time at all' => ['0 start', self::act('give time', ['seconds' => '0']), 'seconds/malformed'];
        yield 'a number is no duration' => ['0 start', self::act('give time', ['seconds' => 5]), 'seconds/malformed'];
        yield 'a clock that is none' => ['0 start', self::act('give time', ['seconds' => '5', 'clock' => 'all']), 'clock/malformed'];
        yield 'not begun' => ['', self::act('go on'), 'do/notStarted'];
        yield 'begun' => ['0 start', ['at' => '0', 'do' => 'start'], 'do/started'];
        yield 'paused' => ['0 start; 1 pause', self::act('go on'), 'do/paused'];
        yield 'a response that comes long after the pause' => ['0 start; 1 pause', self::act('save', ['question' => 'trim', ...$choose], '4.001'), 'do/paused'];
        yield 'ended before it was paused' => ['0 start; 1 close', self::act('pause'), 'do/ended'];
        yield 'not paused' => ['0 start; 1 pause; 2 resume', self::act('resume'), 'do/notPaused'];
        yield 'a pause says nothing else' => ['0 start', self::act('pause', ['seconds' => '5']), 'seconds/unexpected'];
        yield 'ended' => ['0 start; 1 close', self::act('close'), 'do/ended'];
        yield 'no such question' => ['0 start', self::act('save', ['question' => 'zzz', ...$choose]), 'question/unknown'];
        yield 'one that the form has not' => ['0 start', self::act('hint', ['question' => 'crew']), 'question/unknown'];
        yield 'no such page' => ['0 start', self::act('go to', ['step' => 'trim']), 'step/unknown'];
        yield 'not on this screen' => ['0 start', self::act('save', ['question' => 'oar', ...$choose]), 'question/notHere'];
        yield 'closed' => ['0 start; 1 check trim {"choose":[1]}', self::act('save', ['question' => 'trim', ...$choose]), 'question/closed'];
        yield 'its round is over' => ['0 start; 1 go on; 2 check oar {"choose":[2]}', self::act('hint', ['question' => 'oar']), 'question/closed'];
        yield 'no such choice' => ['0 start', self::act('check', ['question' => 'trim', 'response' => ['choose' => [9]]]), 'choose/malformed'];
        yield 'another kind’s field' => ['0 start', self::act('save', ['question' => 'trim', 'response' => ['text' => 'x']]), 'choose/malformed'];
        yield 'nothing to check' => ['0 start', self::act('check', ['question' => 'trim']), 'response/blank'];
        yield 'checked with nothing' => ['0 start; 1 save trim {"choose":[1]}', self::act('check', ['question' => 'trim', 'response' => null]), 'response/blank'];
        yield 'fewer than asked for' => ['0 start; 1 go on; 2 check oar {"choose":[1]}; 3 go on', self::act('check', ['question' => 'float', ...$choose]), 'response/incomplete'];
        yield 'not every part' => ['0 start; 1 go on; 2 check oar {"choose":[1]}; 3 go on; 4 go on', self::act('check', ['question' => 'crew', 'response' => ['pairs' => ['1' => '1']]]), 'question/unknown'];
        yield 'no number' => ['0 start; 1 go on; 2 check oar {"choose":[1]}; 3 go on; 4 go on', self::act('check', ['question' => 'count', 'response' => ['text' => 'many']]), 'text/unreadable'];
        yield 'no hint left' => ['0 start; 1 go on', self::act('hint', ['question' => 'oar']), 'hint/none'];
        yield 'a hint of a later attempt' => ['0 start; 1 hint trim', self::act('hint', ['question' => 'trim']), 'hint/attempt'];
        yield 'a hint that comes later' => ['0 start; 1 hint trim; 2 check trim {"choose":[2]}', self::act('hint', ['question' => 'trim']), 'hint/tooSoon'];
        yield 'nothing to move in' => ['0 start', self::act('go to', ['question' => 'oar']), 'do/forwardOnly'];
        yield 'no flag here' => ['0 start', self::act('flag', ['question' => 'trim', 'on' => true]), 'do/forwardOnly'];
        yield 'at the end there is no further' => ['0 start; 1 go on; 2 check oar {"choose":[1]}; 3 go on; 4 go on; 4 go on', self::act('go on'), 'do/atEnd'];
        yield 'no such clock' => ['0 start', self::act('give time', ['seconds' => '5', 'clock' => ['section' => 'all']]), 'clock/unknown'];
        yield 'the whole has no time' => ['0 start', self::act('give time', ['seconds' => '5']), 'clock/unknown'];
        yield 'a clock that stopped for good' => ['0 start; 1 check trim {"choose":[1]}', self::act('give time', ['seconds' => '5', 'clock' => ['question' => 'trim']]), 'clock/ranOut'];
    }

    /** @param array<string, mixed> $act */
    #[DataProvider('acts')]
    public function test_it_is_refused_and_changes_nothing(string $before, array $act, string $why): void
    {
        $plan = self::plan([
            ['id' => 'trim', 'question' => 'trim', 'settings' => ['time' => '1 min']],
            ['id' => 'oar', 'question' => 'oar', 'refresher' => ['pages' => ['care']]],
            ['id' => 'float', 'question' => 'float'],
            ['id' => 'count', 'question' => 'count'],
        ]);
        $run = static fn (array $events): array => SittingRun::result(self::paper($plan), SittingFile::read(['events' => $events, 'now' => '9']));
        $without = $run(self::events($before));
        $with = $run([...self::events($before), $act]);

        $refused = is_array($with['refused']) ? array_values($with['refused']) : [];
        self::assertSame(['event' => count(self::events($before)) + 1, 'why' => $why], $refused[count($refused) - 1] ?? null);
        unset($with['refused'], $without['refused']);
        self::assertSame($without, $with);
    }

    public function test_every_reason_has_words_of_its_own_and_stands_in_the_format(): void
    {
        $words = array_map(static fn (Refusal $refusal): string => $refusal->inWords(), Refusal::cases());
        $format = (string) file_get_contents(dirname(__DIR__, 3) . '/docs/formats/sitting.md');

        self::assertSame($words, array_unique($words));
        foreach (Refusal::cases() as $refusal) {
            self::assertStringContainsString('`' . (str_contains($refusal->value, '/') ? '' : 'FIELD/') . $refusal->value . '`', $format);
        }
    }

    public function test_what_is_no_act_ends_nothing_and_its_moment_counts_for_what_comes_after(): void
    {
        $plan = self::plan([['id' => 'trim', 'question' => 'trim', 'settings' => ['time' => '1 min']]]);
        $events = [...self::events('0 start'), 'go on', 7, null, [], ['at' => '90', 'do' => 'dance'], ['at' => '40', 'do' => 'go on'], ['at' => '95', 'do' => 'go on', 'x' => 1], ['at' => '94', 'do' => 'go on']];
        $run = SittingRun::result(self::paper($plan), SittingFile::read(['events' => $events]));

        self::assertSame(['do/unknown', 'do/unknown', 'do/unknown', 'do/unknown', 'do/unknown', 'at/backwards', 'x/unexpected', 'at/backwards'], array_column(is_array($run['refused']) ? $run['refused'] : [], 'why'));
        self::assertSame([], $run['ran'], 'the clock has not acted up to what is none');
    }

    public function test_behind_a_section_that_ran_out_at_the_end_nothing_can_be_gone_back_to(): void
    {
        $plan = self::plan([], self::whole([self::q('trim'), self::q('oar')], ['rules' => ['moving' => 'any order', 'feedback' => 'at the end']], ['time' => '1 min']));
        $run = static fn (string $events): array => SittingRun::result(self::paper($plan), SittingFile::read(['events' => self::events($events)]));

        self::assertSame([], $run('0 start; 1 go on; 2 go on; 3 go to trim')['refused'], 'as long as the clock runs one can');
        foreach (['go to trim', 'flag trim'] as $act) {
            $sat = $run("0 start; 1 go on; 2 go on; 70 $act");
            self::assertSame([['event' => 4, 'why' => 'do/forwardOnly']], $sat['refused']);
            self::assertSame('end', $sat['position']);
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> events before, the act, why it is refused */
    public static function inAnyOrder(): iterable
    {
        yield 'outside the stretch' => ['0 start', ['at' => '5', 'do' => 'go to', 'question' => 'fork'], 'question/notHere'];
        yield 'a page outside it' => ['0 start', ['at' => '5', 'do' => 'go to', 'step' => 'p'], 'step/notHere'];
        yield 'flagged from afar' => ['0 start', ['at' => '5', 'do' => 'flag', 'question' => 'fork', 'on' => true], 'question/notHere'];
        yield 'left for good' => ['0 start; 1 save trim {"choose":[1]}; 2 go on', ['at' => '5', 'do' => 'go to', 'question' => 'trim'], 'question/left'];
        yield 'owed by a question with a time' => ['0 start', ['at' => '5', 'do' => 'go to', 'question' => 'crew'], 'response/owed'];
        yield 'parts are missing' => ['0 start; 1 save trim {"choose":[1]}; 2 go on', ['at' => '5', 'do' => 'check', 'question' => 'crew', 'response' => ['pairs' => ['1' => '1']]], 'response/incomplete'];
    }

    /** @param array<string, mixed> $act */
    #[DataProvider('inAnyOrder')]
    public function test_where_one_moves_freely(string $before, array $act, string $why): void
    {
        $plan = self::plan(
            [],
            [
                'sections' => [
                    [
                        'id' => 'a',
                        'rules' => ['moving' => 'any order', 'allParts' => true],
                        'steps' => [['id' => 'trim', 'question' => 'trim', 'settings' => ['time' => '1 min'], 'rules' => ['mustAnswer' => true]], ['id' => 'crew', 'question' => 'crew']],
                    ],
                    ['id' => 'b', 'steps' => [['id' => 'p', 'page' => 'reading'], ['id' => 'fork', 'question' => 'fork']]],
                ],
            ],
        );
        $result = SittingRun::result(self::paper($plan), SittingFile::read(['events' => [...self::events($before), $act]]));

        self::assertSame([['event' => count(self::events($before)) + 1, 'why' => $why]], $result['refused']);
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private static function act(string $do, array $more = [], string $when = '5'): array
    {
        return ['at' => $when, 'do' => $do, ...$more];
    }
}
