<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Sitting;

use PHPUnit\Framework\Attributes\DataProvider;

/** Totals, conditions, ends and moving: rules S9 to S20. */
final class MovingRulesTest extends SatCase
{
    private const RIGHT = '{"choose":[1]}';
    private const WRONG = '{"choose":[2]}';

    /** @return iterable<string, array{array<string, mixed>, string, array<string, mixed>}> the blueprint, events, what came */
    public static function cases(): iterable
    {
        $once = ['settings' => ['attempts' => '1']];
        $free = ['rules' => ['moving' => 'any order']];
        $again = self::q('trim', [...$once, 'refresher' => ['pages' => ['care']]]);

        yield 'S9 open questions and those with a refresher to come count nothing yet' => [
            self::whole([$again, self::q('oar')]),
            '0 start; 1 check trim ' . self::WRONG,
            ['points' => '0', 'max' => '0', 'asked' => 0, 'steps.trim.outcome' => null, 'steps.trim.closed' => null],
        ];
        yield 'S9 nor do those of a stretch that is not left' => [self::whole([self::q('oar'), self::q('fork')], $free), '0 start; 1 save oar ' . self::RIGHT . '; 2 go on', ['asked' => 0]];
        yield 'S10 handing in walks the rest of the path; what is not on it is not asked' => [
            self::whole([self::q('trim'), self::checkpoint(['outcome' => 'trim', 'is' => ['right']], 'p'), self::q('count'), ['id' => 'p', 'page' => 'reading'], self::q('oar')]),
            '0 start; 1 check trim ' . self::RIGHT . '; 2 hand in',
            ['steps.count.asked' => false, 'steps.oar.outcome' => 'unanswered', 'max' => '6', 'points' => '4', 'routes' => 'c p'],
        ];
        yield 'S11 of what was not asked nothing holds, so not does' => [
            self::whole([
                self::q('oar'),
                self::checkpoint(['chosen' => 'oar', 'choice' => 1], 'c2', ['otherwise' => 'next']),
                self::q('trim'),
                ['id' => 'c2', 'checkpoint' => ['routes' => [['when' => ['not' => ['outcome' => 'trim', 'is' => ['right', 'wrong', 'unanswered']]], 'to' => 'end']]]],
                self::q('count'),
            ]),
            '0 start; 1 check oar ' . self::RIGHT . '; 2 go on',
            ['routes' => 'c c2 · c2 end', 'position' => 'end'],
        ];
        yield 'S11 percent with nothing to earn is 0, and compared exactly' => [
            self::whole([self::q('bay'), self::checkpoint(['percent' => 'all', 'is' => '=', 'value' => '0'], 'oar'), self::q('trim'), self::q('oar')]),
            '0 start; 1 check bay {"text":"x"}; 2 go on',
            ['routes' => 'c oar'],
        ];
        yield 'S11 sums of a section, and between with both ends' => [
            self::inSections(
                ['steps' => [self::q('oar')]],
                [
                    'steps' => [
                        self::q('fork'),
                        self::checkpoint(['all' => [['points' => ['section' => 's0'], 'is' => 'between', 'value' => ['2', '5']], ['percent' => ['questions' => ['fork']], 'is' => '<', 'value' => '1']]], 'end'),
                    ],
                ],
                ['steps' => [self::q('trim')]],
            ),
            '0 start; 1 check oar ' . self::RIGHT . '; 2 go on; 3 check fork ' . self::WRONG . '; 4 go on',
            ['routes' => 'c end'],
        ];
        yield 'S11 a tally' => [
            self::whole([self::q('sure'), self::checkpoint(['tally' => 'patience', 'is' => '>', 'value' => '3'], 'end'), self::q('trim')], ['tallies' => [['name' => 'patience']]]),
            '0 start; 1 check sure {"choose":[4]}; 2 go on',
            ['routes' => 'c end', 'tallies' => 'patience 4'],
        ];
        yield 'S12 the floor is applied once, to the total' => [
            self::whole([self::q('trim', $once), self::q('oar')]),
            '0 start; 1 check trim ' . self::WRONG . '; 2 hand in',
            ['points' => '0', 'objectives' => 'Boats 0 2 · Lamp room > Wick -1 4'],
        ];
        yield 'S12 unless it is lifted' => [
            self::whole([self::q('trim', $once)], ['rules' => ['floor' => 'none'], 'pass' => ['percent' => '10']]),
            '0 start; 1 check trim ' . self::WRONG . '; 2 hand in',
            ['points' => '-1', 'percent' => '-25', 'passed' => false],
        ];
        yield 'S12 passed is the mark and every minimum, what lies below included' => [
            self::whole(
                [self::q('trim'), self::q('oar')],
                [
                    'pass' => ['percent' => '60', 'objectives' => [['objective' => 'Lamp room', 'percent' => '80'], ['objective' => 'Boats', 'points' => '1'], ['objective' => 'Sails', 'points' => '1']]],
                    'closing' => ['notPassed' => 'care'],
                ],
            ),
            '0 start; 1 check trim ' . self::RIGHT . '; 2 hand in',
            ['percent' => '66.66', 'passed' => false, 'closing' => 'care', 'minimums' => 'Lamp room 1 · Boats  · Sails'],
        ];
        yield 'S12 nothing to earn: neither passed nor failed' => [
            self::whole(
                [self::q('bay')],
                ['pass' => ['points' => '0'], 'closing' => ['passed' => 'care', 'noPassMark' => 'reading'], 'review' => ['passed' => [['rung' => 'total'], ['rung' => 'own paper', 'when' => 'closed']]]],
            ),
            '0 start; 1 hand in',
            ['passed' => null, 'percent' => null, 'closing' => 'reading', 'review' => 'total', 'max' => '0'],
        ];
        yield 'S13 whoever has not ended has not passed' => [
            self::whole([self::q('oar')], ['pass' => ['points' => '1'], 'rules' => ['time' => '1 min']]),
            '0 start; 1 check oar ' . self::RIGHT . '; 2 go on',
            ['position' => 'end', 'points' => '2', 'passed' => null, 'percent' => null, 'review' => null, 'ended' => null],
        ];
        yield 'S14 what is not graded counts nowhere, but feeds tallies and conditions' => [
            self::whole(
                [self::q('trim', ['settings' => ['graded' => 'no', 'attempts' => '1']]), self::checkpoint(['outcome' => 'trim', 'is' => ['wrong']], 'end'), self::q('oar')],
                ['tallies' => [['name' => 'patience', 'bands' => [['to' => 4, 'name' => 'hasty'], ['from' => 5, 'name' => 'calm']]]]],
            ),
            '0 start; 1 check trim ' . self::WRONG . '; 2 go on',
            ['asked' => 0, 'max' => '0', 'tallies' => 'patience 5 calm', 'routes' => 'c end', 'steps.trim.max' => '0'],
        ];
        yield 'S15 sections in any order make one stretch, closed in running order when it is left' => [
            self::inSections([...$free, 'steps' => [self::q('oar')]], [...$free, 'steps' => [self::q('fork')]], ['steps' => [self::q('count')]]),
            '0 start; 1 go on; 2 go to oar; 3 save oar ' . self::RIGHT . '; 4 go to fork; 5 go on',
            ['path' => 'oar · fork · oar · fork · count', 'steps.oar.outcome' => 'right', 'steps.fork.outcome' => 'unanswered'],
        ];
        yield 'S15 all of a stretch is asked, once it is reached' => [self::whole([self::q('oar'), self::q('fork')], $free), '0 start', ['steps.fork.asked' => true, 'steps.fork.shown' => null]];
        yield 'S15 a section with a time is a stretch by itself' => [
            self::inSections([...$free, 'time' => '60 s', 'steps' => [self::q('oar'), self::q('trim')]], [...$free, 'steps' => [self::q('fork')]]),
            '0 start; 1 go on; 2 go on; 3 go to oar',
            ['refused' => '4 question/notHere', 'position' => 'fork', 'steps.oar.closed' => '2'],
        ];
        yield 'S15 the end behind a stretch closes nothing, and one can go back' => [
            self::inSections([...$free, 'time' => '60 s', 'steps' => [self::q('oar'), self::q('fork')]]),
            '0 start; 1 go on; 2 go on; 3 flag oar; 4 go to fork; 5 save fork {"choose":[2]}; 6 go on',
            ['path' => 'oar · fork · end · fork · end', 'asked' => 0, 'steps.oar.flagged' => true, 'refused' => ''],
        ];
        yield 'S15 there the section’s clock runs on' => [
            self::inSections([...$free, 'time' => '60 s', 'steps' => [self::q('oar')]]),
            '0 start; 1 save oar ' . self::RIGHT . '; 2 go on; 70 go to oar',
            ['ran' => 'section s0 60', 'path' => 'oar · end', 'refused' => '4 do/forwardOnly', 'steps.oar.closed' => '60', 'steps.oar.outcome' => 'right'],
        ];
        yield 'S16 a question with its own time is left for good' => [
            self::whole([self::q('trim', ['settings' => ['time' => '60 s']]), self::q('oar')], $free),
            '0 start; 1 save trim ' . self::RIGHT . '; 2 go to oar; 3 go to trim',
            ['steps.trim.outcome' => 'right', 'steps.trim.closed' => '2', 'refused' => '4 question/left'],
        ];
        yield 'S16 other closed questions can be visited, and going where one is changes nothing' => [
            self::whole([self::q('trim'), self::q('oar')], $free),
            '0 start; 1 check trim ' . self::RIGHT . '; 2 go on; 3 go to trim; 4 go to trim',
            ['path' => 'trim · oar · trim', 'refused' => ''],
        ];
        yield 'S17 what must be answered is not left blank' => [
            self::whole([self::q('trim', ['rules' => ['mustAnswer' => true]]), self::q('oar')]),
            '0 start; 1 go on; 2 save trim ' . self::WRONG . '; 3 go on',
            ['refused' => '2 response/owed', 'position' => 'oar'],
        ];
        yield 'S17 nor by handing in, reached or not' => [
            self::whole([self::q('oar'), self::q('trim', ['rules' => ['mustAnswer' => true]])]),
            '0 start; 1 hand in; 2 go on; 3 check trim ' . self::WRONG . '; 4 hand in',
            ['refused' => '2 response/owed', 'ended.at' => '4'],
        ];
        yield 'S17 but where the path does not come' => [
            self::whole([self::q('oar'), self::checkpoint(['outcome' => 'oar', 'is' => ['unanswered']], 'end'), self::q('trim', ['rules' => ['mustAnswer' => true]])]),
            '0 start; 1 hand in',
            ['refused' => '', 'routes' => 'c end', 'steps.trim.asked' => false],
        ];
        yield 'S17 moving within a stretch is free, leaving it is not' => [
            self::inSections([...$free, 'rules' => ['moving' => 'any order', 'mustAnswer' => true], 'steps' => [self::q('oar'), self::q('fork')]], ['steps' => [self::q('count')]]),
            '0 start; 1 go on; 2 go on; 3 go to oar',
            ['refused' => '3 response/owed', 'position' => 'oar'],
        ];
        yield 'S17 time asks nobody' => [
            self::whole([self::q('trim', ['rules' => ['mustAnswer' => true]])], ['rules' => ['time' => '10 s']]),
            '0 start; 20 hand in',
            ['refused' => '2 do/ended', 'steps.trim.outcome' => 'unanswered'],
        ];
        yield 'S18 announced, a checkpoint is a screen, and is not decided again' => [
            self::whole([self::q('oar'), self::checkpoint(['outcome' => 'oar', 'is' => ['right']], 'trim', ['announced' => true]), self::q('count'), self::q('trim')]),
            '0 start; 1 check oar ' . self::RIGHT . '; 2 go on; 3 go on',
            ['path' => 'oar · c · trim', 'routes' => 'c trim', 'position' => 'trim'],
        ];
        yield 'S18 the first condition that holds wins' => [
            self::whole([
                self::q('oar'),
                [
                    'id' => 'c',
                    'checkpoint' => [
                        'routes' => [
                            ['when' => ['points' => 'all', 'is' => '>', 'value' => '5'], 'to' => 'fork'],
                            ['when' => ['points' => 'all', 'is' => '>=', 'value' => '2'], 'to' => 'count'],
                            ['when' => ['points' => 'all', 'is' => '>=', 'value' => '0'], 'to' => 'end'],
                        ],
                        'otherwise' => 'next',
                    ],
                ],
                self::q('trim'),
                self::q('count'),
                self::q('fork'),
            ]),
            '0 start; 1 check oar ' . self::RIGHT . '; 2 go on',
            ['routes' => 'c count'],
        ];
        yield 'S19 a shared screen shows its steps and leaves them together' => [
            self::whole(
                [['id' => 'p', 'page' => 'reading'], self::q('oar'), self::q('trim'), self::checkpoint(['outcome' => 'oar', 'is' => ['right']], 'end'), self::q('fork'), self::q('count')],
                ['rules' => ['screen' => 'section']],
            ),
            '0 start; 1 check oar ' . self::RIGHT . '; 2 save trim ' . self::WRONG . '; 3 check trim; 4 go on',
            ['path' => 'p · end', 'steps.trim.shown' => '0', 'steps.trim.closed' => '4', 'steps.fork.asked' => false],
        ];
        yield 'S20 saved, marked, failed: to the refresher' => [
            self::whole([$again, self::q('oar')]),
            '0 start; 1 save trim ' . self::WRONG . '; 2 go on; 3 go on; 4 save trim ' . self::RIGHT . '; 5 go on',
            ['path' => 'trim · refresher care · trim · oar', 'steps.trim.round' => 2, 'steps.trim.earned' => '4'],
        ];
        yield 'S20 where the choice of the last marked response leads' => [self::whole([self::q('fork'), self::q('oar')]), '0 start; 1 save fork {"choose":[3]}; 2 go on; 3 go on', ['path' => 'fork · page second · oar']];
        yield 'S20 what the step says goes before' => [
            self::whole([self::q('fork', ['leads' => ['1' => null, '2' => ['page' => 'care', 'then' => 'count'], '3' => ['then' => 'count']]]), self::q('oar'), self::q('count')]),
            '0 start; 1 check fork {"choose":[2]}; 2 go on; 3 go on',
            ['path' => 'fork · page care · count', 'steps.oar.asked' => false],
        ];
        yield 'S20 dropped, a lead leads nowhere' => [self::whole([self::q('fork', ['leads' => null]), self::q('oar')]), '0 start; 1 check fork ' . self::RIGHT . '; 2 go on', ['path' => 'fork · oar']];
        yield 'S20 straight on, without a page' => [
            self::whole([self::q('fork', ['leads' => ['1' => ['then' => 'count']]]), self::q('oar'), self::q('count')]),
            '0 start; 1 check fork ' . self::RIGHT . '; 2 go on',
            ['path' => 'fork · count'],
        ];
        yield 'a page leads on, and what it passes by is not asked' => [
            self::whole([self::q('fork', ['leads' => ['1' => ['then' => 'oar']]]), ['id' => 'p', 'page' => 'reading', 'then' => 'count'], self::q('oar'), self::q('count')]),
            '0 start; 1 go on; 2 go on',
            ['path' => 'fork · p · count', 'steps.oar.asked' => false],
        ];
    }

    /**
     * @param array<string, mixed> $blueprint
     * @param array<string, mixed> $expected
     */
    #[DataProvider('cases')]
    public function test_moving(array $blueprint, string $events, array $expected): void
    {
        self::assertCame($expected, self::sat(self::plan([], $blueprint), $events));
    }
}
