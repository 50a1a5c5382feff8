<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Sitting;

use PHPUnit\Framework\Attributes\DataProvider;

/** What clocks bring about: rules S1 to S8. */
final class ClockRulesTest extends SatCase
{
    private const RIGHT = '{"choose":[1]}';
    private const WRONG = '{"choose":[2]}';

    /** @return iterable<string, array{list<array<string, mixed>>, array<string, mixed>, string, array<string, mixed>, array<string, mixed>}> steps, more of the blueprint, events, terms, what came */
    public static function cases(): iterable
    {
        $trim = ['id' => 'trim', 'question' => 'trim'];
        $timed = ['id' => 'trim', 'question' => 'trim', 'settings' => ['time' => '60 s']];
        $oar = ['id' => 'oar', 'question' => 'oar'];
        $page = ['id' => 'p', 'page' => 'reading'];
        $whole = ['rules' => ['time' => '2 min']];
        $again = ['id' => 'trim', 'question' => 'trim', 'settings' => ['time' => '60 s', 'attempts' => '1'], 'refresher' => ['pages' => ['care', 'second']]];

        yield 'S1 the whole runs from the start' => [[$page, $oar], $whole, '0 start; 100 go on', ['now' => '121'], ['ended.how' => 'whole ran out', 'ended.at' => '120', 'ran' => 'whole 120']];
        yield 'S1 a section runs from its first screen, pages included' => [[], self::timedFirst([$page, $oar], [$trim]), '0 start; 50 go on', ['now' => '61'], ['ran' => 'section a 60', 'path' => 'p · oar · trim']];
        yield 'S1 and no longer once it is left' => [[], self::timedFirst([$oar], [$trim]), '0 start; 50 go on', ['now' => '600'], ['ran' => '', 'position' => 'trim']];
        yield 'S1 a question runs from arrival, through feedback between attempts' => [
            [$page, $timed],
            [],
            '0 start; 10 go on; 20 check trim ' . self::WRONG,
            ['now' => '70'],
            ['ran' => 'question trim 70', 'steps.trim.outcome' => 'out of time', 'position' => 'trim'],
        ];
        yield 'S1 feedback of a closed question costs no time' => [[$timed, $oar], [], '0 start; 20 check trim ' . self::RIGHT, ['now' => '600'], ['ran' => '', 'position' => 'trim']];
        yield 'S2 a refresher stops it' => [
            [$again],
            [],
            '0 start; 50 check trim ' . self::WRONG . '; 51 go on; 300 go on; 301 go on',
            ['now' => '311'],
            ['ran' => 'question trim 311', 'path' => 'trim · refresher care · refresher second · trim', 'steps.trim.attempts' => '50 1 1 wrong -1 1 0 0 checked · 311 2 1 out of time -1  0 0 ran out'],
        ];
        yield 'S2 afresh, it starts from nothing used' => [
            [[...$again, 'refresher' => ['pages' => ['care'], 'time' => 'afresh']]],
            [],
            '0 start; 50 check trim ' . self::WRONG . '; 51 go on; 300 go on',
            ['now' => '400'],
            ['ran' => 'question trim 360'],
        ];
        yield 'S2 running on, the round to come can be out of time' => [
            [[...$again, 'refresher' => ['pages' => ['care', 'second'], 'clock' => 'runs on']], $oar],
            [],
            '0 start; 50 check trim ' . self::WRONG . '; 51 go on; 70 go on',
            [],
            ['ran' => 'question trim 60', 'steps.trim.attempts' => '50 1 1 wrong -1 1 0 0 checked · 60 2 1 out of time -1  0 0 ran out', 'position' => 'oar', 'path' => 'trim · refresher care · oar'] + [
                'steps.trim.outcome' => 'out of time',
            ],
        ];
        yield 'S2 running on afresh' => [
            [[...$again, 'refresher' => ['pages' => ['care'], 'clock' => 'runs on', 'time' => 'afresh']]],
            [],
            '0 start; 50 check trim ' . self::WRONG . '; 51 go on; 55 go on',
            ['now' => '115'],
            ['ran' => 'question trim 115'],
        ];
        yield 'S3 extra time multiplies all three exactly' => [
            [],
            [
                'rules' => ['time' => '90 s'],
                'sections' => [['id' => 'a', 'time' => '70 s', 'steps' => [[...$timed, 'settings' => ['time' => '30 s']], $oar]], ['id' => 'b', 'steps' => [['id' => 'c', 'question' => 'count']]]],
            ],
            '0 start',
            ['factor' => '1.25', 'now' => '600'],
            ['ran' => 'question trim 37.5 · section a 87.5 · whole 112.5'],
        ];
        yield 'S3 but no hint, no grace, no closing' => [
            [$trim],
            [],
            '0 start; 5 check trim ' . self::WRONG . '; 6 hint trim; 15 hint trim',
            ['factor' => '2', 'until' => '100', 'now' => '100'],
            ['refused' => '', 'ended.at' => '100', 'ended.how' => 'until'],
        ];
        yield 'S3 given time is added unmultiplied, before its clock starts too' => [
            [$page, $timed],
            [],
            '0 start; 1 give time 10 {"question":"trim"}; 2 go on',
            ['factor' => '2', 'now' => '600'],
            ['ran' => 'question trim 132', 'refused' => ''],
        ];
        yield 'S3 to a section, and to the whole' => [
            [],
            [...self::timedFirst([$oar], [$trim]), 'rules' => ['time' => '2 min']],
            '0 start; 1 give time 5 {"section":"a"}; 2 give time 7',
            ['now' => '600'],
            ['ran' => 'section a 65 · whole 127'],
        ];
        yield 'S4 what comes at the very moment comes first' => [[$timed], [], '0 start; 60 check trim ' . self::RIGHT, [], ['ran' => '', 'steps.trim.outcome' => 'right']];
        yield 'S4 what is due by now acts' => [[$timed], [], '0 start', ['now' => '60'], ['ran' => 'question trim 60']];
        yield 'S4 due together: question, section, whole, closing' => [
            [],
            [...self::timedFirst([$timed, $oar], [['id' => 'c', 'question' => 'count']]), 'rules' => ['time' => '60 s']],
            '0 start',
            ['until' => '60', 'now' => '61'],
            ['ran' => 'question trim 60 · section a 60 · whole 60', 'ended.how' => 'whole ran out', 'path' => 'trim · c'],
        ];
        yield 'S5 a response that comes 3 s late counts as come in time' => [
            [$timed],
            [],
            '0 start; 63 check trim ' . self::RIGHT,
            ['now' => '70'],
            ['ran' => '', 'steps.trim.closed' => '60', 'steps.trim.outcome' => 'right'],
        ];
        yield 'S5 but not later' => [[$timed], [], '0 start; 63.001 check trim ' . self::RIGHT, [], ['ran' => 'question trim 60', 'refused' => '2 question/closed']];
        yield 'S5 a late save is marked by the clock that then acts' => [
            [[...$timed, 'settings' => ['time' => '60 s', 'late' => 'marks']]],
            [],
            '0 start; 61 save trim ' . self::WRONG . '; 62 save trim ' . self::RIGHT,
            ['now' => '62'],
            ['ran' => 'question trim 60', 'steps.trim.earned' => '4', 'steps.trim.outcome' => 'out of time'],
        ];
        yield 'S5 anything else ends the grace' => [[$timed, $oar], [], '0 start; 61 hint trim; 62 save trim ' . self::RIGHT, [], ['refused' => '2 question/closed · 3 question/closed']];
        yield 'S5 under the whole too' => [[$trim], $whole, '0 start; 122 check trim ' . self::RIGHT, [], ['steps.trim.closed' => '120', 'ended.at' => '120', 'points' => '4']];
        yield 'S5 refused in the grace, the clock has acted' => [[$timed], [], '0 start; 61 check trim; 62 save trim ' . self::RIGHT, [], ['refused' => '2 response/blank · 3 question/closed']];
        yield 'S6 late: wrong, whatever was entered' => [
            [$timed, $oar],
            [],
            '0 start; 10 save trim ' . self::RIGHT . '; 61 go on',
            ['now' => '70'],
            ['steps.trim.earned' => '-1', 'steps.trim.response' => null, 'steps.trim.attempts.0.feedback' => 'Too late.', 'position' => 'oar'],
        ];
        yield 'S6 late: blank' => [[[...$timed, 'settings' => ['time' => '60 s', 'late' => 'blank', 'blank costs' => '2']]], [], '0 start; 10 save trim ' . self::RIGHT, ['now' => '70'], ['steps.trim.earned' => '-2']];
        yield 'S6 late: marks, and what it says counts' => [
            [[...$timed, 'settings' => ['time' => '60 s', 'late' => 'marks']]],
            [],
            '0 start; 10 check trim ' . self::WRONG . '; 20 save trim ' . self::RIGHT,
            ['now' => '70'],
            ['steps.trim.earned' => '3', 'steps.trim.attempt' => 2, 'steps.trim.attempts.1.feedback' => 'Too late. · It burns evenly.'],
        ];
        yield 'S6 with best the highest of the round stands, called out of time' => [
            [[...$timed, 'settings' => ['time' => '60 s', 'stands' => 'best', 'wrong costs' => '0', 'late' => 'blank', 'blank costs' => '2']]],
            [],
            '0 start; 10 check trim ' . self::WRONG,
            ['now' => '70'],
            ['steps.trim.earned' => '0', 'steps.trim.outcome' => 'out of time', 'steps.trim.attempt' => 1],
        ];
        yield 'S6 it leads neither to a refresher nor by a choice' => [
            [['id' => 'fork', 'question' => 'fork', 'settings' => ['time' => '60 s', 'late' => 'marks'], 'refresher' => ['pages' => ['care']]], $oar],
            [],
            '0 start; 10 save fork {"choose":[3]}; 70 go on',
            [],
            ['position' => 'oar', 'path' => 'fork · oar'],
        ];
        yield 'S7 a section runs out: open ones are closed, the rest walked, the candidate led on' => [
            [],
            self::timedFirst(
                [$trim, ['id' => 'n', 'question' => 'count'], ['id' => 'c', 'checkpoint' => ['routes' => [['when' => ['points' => 'all', 'is' => '<', 'value' => '0'], 'to' => 'b1']]]]],
                [$oar],
                [['id' => 'f', 'question' => 'float']],
            ),
            '0 start; 10 save trim ' . self::WRONG,
            ['now' => '61'],
            [
                'path' => 'trim · f',
                'steps.trim.outcome' => 'wrong',
                'steps.n.outcome' => 'unanswered',
                'steps.n.earned' => '-1',
                'steps.n.shown' => null,
                'steps.n.closed' => '60',
                'steps.oar.asked' => false,
                'steps.f.shown' => '60',
            ],
        ];
        yield 'S7 section after section for who stays away' => [
            [],
            ['sections' => [['id' => 'a', 'time' => '60 s', 'steps' => [$oar]], ['id' => 'b', 'time' => '30 s', 'steps' => [$trim]]]],
            '0 start',
            ['now' => '600'],
            ['ran' => 'section a 60 · section b 90', 'path' => 'oar · trim · end', 'position' => 'end', 'ended' => null],
        ];
        yield 'S7 from a refresher: closed, and none to come' => [
            [],
            self::timedFirst([[...$trim, 'settings' => ['attempts' => '1'], 'refresher' => ['pages' => ['care']]]], [$oar]),
            '0 start; 10 check trim ' . self::WRONG . '; 11 go on',
            ['now' => '61'],
            ['path' => 'trim · refresher care · oar', 'steps.trim.outcome' => 'wrong', 'steps.trim.closed' => '60'],
        ];
        yield 'S8 what was saved since the last check is marked as the next attempt, without feedback' => [
            [$trim, $oar],
            [],
            '0 start; 5 check trim ' . self::WRONG . '; 6 save trim ' . self::RIGHT . '; 7 go on',
            [],
            ['steps.trim.earned' => '3', 'steps.trim.attempt' => 2, 'steps.trim.attempts.1.feedback' => ''],
        ];
        yield 'S8 where running out makes it unanswered it is dropped' => [
            [$trim],
            ['rules' => ['time' => '2 min', 'runningOut' => 'unanswered']],
            '0 start; 6 save trim ' . self::RIGHT,
            ['now' => '120'],
            ['steps.trim.outcome' => 'unanswered', 'steps.trim.response' => null, 'steps.trim.attempts' => ''],
        ];
        yield 'S8 but not what was marked' => [
            [$trim],
            ['rules' => ['time' => '2 min', 'runningOut' => 'unanswered']],
            '0 start; 5 check trim ' . self::WRONG . '; 6 save trim ' . self::RIGHT,
            ['now' => '120'],
            ['steps.trim.outcome' => 'wrong', 'steps.trim.attempt' => 1],
        ];
        yield 'S8 nor by handing in' => [[$trim], ['rules' => ['runningOut' => 'unanswered']], '0 start; 6 save trim ' . self::RIGHT . '; 7 hand in', [], ['steps.trim.outcome' => 'right']];
        yield 'S8 staff closes as time does' => [
            [$trim],
            ['rules' => ['runningOut' => 'unanswered']],
            '0 start; 6 save trim ' . self::RIGHT . '; 7 close',
            [],
            ['steps.trim.outcome' => 'unanswered', 'ended.how' => 'closed by staff'],
        ];
        yield 'S8 fewer than asked for, and what cannot be read, are marked as they stand' => [
            [['id' => 'f', 'question' => 'float'], ['id' => 'n', 'question' => 'count']],
            [],
            '0 start; 1 save float {"choose":[1]}; 2 go on; 3 save count {"text":"many"}; 4 hand in',
            [],
            ['steps.f.outcome' => 'wrong', 'steps.n.outcome' => 'wrong', 'steps.n.response' => ['text' => 'many']],
        ];
        yield 'nothing saved, nothing marked: unanswered' => [
            [['id' => 'n', 'question' => 'count']],
            [],
            '0 start; 1 save count {"text":"4"}; 2 save count null; 3 hand in',
            [],
            ['steps.n.outcome' => 'unanswered', 'steps.n.earned' => '-1', 'steps.n.attempt' => null, 'points' => '0'],
        ];
        yield 'the closing time can leave sittings alone' => [[$trim], ['rules' => ['untilEnds' => false]], '0 start', ['until' => '50', 'now' => '60'], ['ended' => null]];
    }

    /**
     * @param list<array<string, mixed>> $steps
     * @param array<string, mixed> $more
     * @param array<string, mixed> $terms
     * @param array<string, mixed> $expected
     */
    #[DataProvider('cases')]
    public function test_clock(array $steps, array $more, string $events, array $terms, array $expected): void
    {
        self::assertCame($expected, self::sat(self::plan($steps, $more), $events, $terms));
    }

    /**
     * @param list<array<string, mixed>> $first steps of a section of 60 s
     * @param list<array<string, mixed>> ...$later of those after it
     *
     * @return array<string, mixed>
     */
    private static function timedFirst(array $first, array ...$later): array
    {
        $sections = [['id' => 'a', 'time' => '60 s', 'steps' => $first]];
        foreach (array_values($later) as $i => $steps) {
            $sections[] = ['id' => 'b' . $i, 'steps' => $steps];
        }

        return ['sections' => $sections];
    }
}
