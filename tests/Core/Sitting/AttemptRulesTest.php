<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Sitting;

use PHPUnit\Framework\Attributes\DataProvider;

/** Attempts, hints, refreshers, feedback, tallies, settings: rules S21 to S28. */
final class AttemptRulesTest extends SatCase
{
    private const RIGHT = '{"choose":[1]}';
    private const WRONG = '{"choose":[2]}';

    /** @return iterable<string, array{array<string, mixed>, string, array<string, mixed>}> the blueprint, events, what came */
    public static function cases(): iterable
    {
        $twice = '0 start; 1 check trim ' . self::WRONG . '; 2 go on; 3 go on; 4 check trim {"choose":[3]}; 5 go on';
        $quiet = ['rules' => ['feedback' => 'at the end']];

        yield 'S21 every check is an attempt, the same response again too' => [
            self::whole([self::set('trim')]),
            '0 start; 1 check trim ' . self::WRONG . '; 2 check trim ' . self::WRONG,
            ['steps.trim.attempt' => 2, 'steps.trim.closed' => '2'],
        ];
        yield 'S21 after it nothing is saved' => [self::whole([self::set('trim')]), '0 start; 1 save trim ' . self::RIGHT . '; 2 check trim ' . self::WRONG . '; 3 check trim', ['refused' => '4 response/blank']];
        yield 'S21 unlimited attempts end by a right one' => [
            self::whole([self::set('trim', ['attempts' => 'unlimited', 'attempt costs' => '0'])]),
            '0 start; 1 check trim ' . self::WRONG . '; 2 check trim ' . self::WRONG . '; 3 check trim ' . self::WRONG . '; 4 check trim ' . self::RIGHT,
            ['steps.trim.attempt' => 4, 'steps.trim.earned' => '4', 'steps.trim.attempts.2.feedback' => 'null · Glass breaks. · A round wick smokes.'],
        ];
        yield 'S22 left with attempts to go is not failed' => [
            self::whole([self::set('trim', [], ['refresher' => ['pages' => ['care']]]), self::set('oar')]),
            '0 start; 1 check trim ' . self::WRONG . '; 2 go on',
            ['path' => 'trim · oar', 'steps.trim.outcome' => 'wrong'],
        ];
        yield 'S22 nor is what was left blank' => [self::whole([self::again('last'), self::set('oar')]), '0 start; 1 go on', ['path' => 'trim · oar']];
        yield 'S22 partly right fails too, when attempts are used up' => [
            self::whole([self::set('crew', [], ['refresher' => ['pages' => ['care']]])]),
            '0 start; 1 check crew {"pairs":{"1":"1"}}; 2 go on',
            ['position' => 'refresher care'],
        ];
        yield 'S22 rounds used up, one is led on' => [
            self::whole([self::again('last', 2), self::set('oar')]),
            $twice . '; 6 go on; 7 check trim ' . self::WRONG . '; 8 go on',
            ['path' => 'trim · refresher care · trim · refresher care · trim · oar', 'steps.trim.round' => 3],
        ];
        yield 'S23 the last round stands' => [
            self::whole([self::again('last')]),
            '0 start; 1 check trim ' . self::WRONG . '; 2 go on; 3 go on; 4 check trim ' . self::RIGHT,
            ['steps.trim.round' => 2, 'steps.trim.earned' => '4'],
        ];
        yield 'S23 the first' => [
            self::whole([self::again('first')]),
            '0 start; 1 check trim ' . self::WRONG . '; 2 go on; 3 go on; 4 check trim ' . self::RIGHT,
            ['steps.trim.round' => 1, 'steps.trim.outcome' => 'wrong'],
        ];
        yield 'S23 the best, of equals the earlier' => [self::whole([self::again('best')]), $twice, ['steps.trim.round' => 1, 'steps.trim.response' => ['choose' => [2]]]];
        yield 'S23 a round in which nothing was marked does not count' => [
            self::whole([self::again('last')]),
            '0 start; 1 check trim ' . self::WRONG . '; 2 go on; 3 go on; 4 hand in',
            ['steps.trim.round' => 1, 'steps.trim.earned' => '-1'],
        ];
        yield 'S24 hints open in their order, from their attempt on, so long after it began' => [
            self::whole([self::set('trim')]),
            '0 start; 1 hint trim; 2 hint trim; 20 check trim ' . self::WRONG . '; 29 hint trim; 30 hint trim; 31 hint trim',
            ['refused' => '3 hint/attempt · 5 hint/tooSoon · 7 hint/none', 'steps.trim.hints' => 2],
        ];
        yield 'S24 a hint opened after a check changes no mark made' => [
            self::whole([self::set('trim')]),
            '0 start; 1 check trim ' . self::WRONG . '; 2 hint trim; 3 check trim ' . self::RIGHT,
            ['steps.trim.attempts' => '1 1 1 wrong -1 1 0 0 checked · 3 1 2 right 2 1 1 1 checked'],
        ];
        yield 'S24 a round begins with the hints opened before, paid in each of its marks' => [
            self::whole([self::again('last')]),
            '0 start; 1 hint trim; 2 check trim ' . self::WRONG . '; 3 go on; 4 go on; 5 check trim ' . self::RIGHT,
            ['steps.trim.earned' => '3', 'steps.trim.hints' => 1],
        ];
        yield 'S24 a time after counts from the attempt of the round' => [
            self::whole([self::set('trim', [], ['refresher' => ['pages' => ['care']]])]),
            '0 start; 1 hint trim; 2 check trim ' . self::WRONG . '; 3 check trim ' . self::WRONG . '; 4 go on; 5 go on; 50 hint trim; 51 check trim ' . self::WRONG . '; 60 hint trim; 61 hint trim',
            ['refused' => '7 hint/attempt · 9 hint/tooSoon', 'steps.trim.hints' => 2],
        ];
        yield 'S25 feedback at each check, last attempt before any' => [
            self::whole([self::set('trim')]),
            '0 start; 1 check trim ' . self::WRONG . '; 2 check trim {"choose":[3]}',
            ['steps.trim.attempts.0.feedback' => 'Look again. · Glass breaks. · A round wick smokes.', 'steps.trim.attempts.1.feedback' => 'It is cut straight.'],
        ];
        yield 'S25 after the last attempt only when the round closes' => [
            self::whole([self::set('trim')], ['rules' => ['feedback' => 'after the last attempt']]),
            '0 start; 1 check trim ' . self::WRONG . '; 2 check trim ' . self::RIGHT,
            ['steps.trim.attempts.0.feedback' => '', 'steps.trim.attempts.1.feedback' => 'null · It burns evenly.'],
        ];
        yield 'S25 where nothing is told before the end, nothing is checked' => [
            self::whole([self::set('trim')], $quiet),
            '0 start; 1 check trim ' . self::RIGHT . '; 2 save trim ' . self::RIGHT . '; 3 hand in',
            ['refused' => '2 do/noCheck', 'steps.trim.outcome' => 'right', 'steps.trim.attempts.0.feedback' => ''],
        ];
        yield 'S25 the house has a text for recorded' => [
            self::whole([self::set('sure')]),
            '0 start; 1 check sure {"choose":[3]}',
            ['steps.sure.outcome' => 'recorded', 'steps.sure.attempts.0.feedback' => 'null', 'asked' => 0, 'steps.sure.closed' => '1'],
        ];
        yield 'S26 a tally is of the response that stands, so nothing adds twice' => [
            self::whole([self::set('trim')], ['tallies' => [['name' => 'patience'], ['name' => 'haste']]]),
            '0 start; 1 check trim ' . self::WRONG . '; 2 check trim ' . self::RIGHT,
            ['tallies' => 'patience 2 · haste 0'],
        ];
        yield 'S26 a scale adds its value' => [
            self::whole([self::set('sure')], ['tallies' => [['name' => 'patience', 'bands' => [['from' => 1, 'to' => 3, 'name' => 'some']]]]]),
            '0 start; 1 check sure {"choose":[4]}',
            ['tallies' => 'patience 4'],
        ];
        yield 'S26 what did not count adds nothing' => [
            self::whole([self::set('trim', ['time' => '10 s'])], ['tallies' => [['name' => 'patience']]]),
            '0 start; 1 save trim ' . self::WRONG . '; 20 flag trim',
            ['tallies' => 'patience 0', 'refused' => '3 do/forwardOnly'],
        ];
        yield 'S27 the nearest wins' => [
            ['settings' => ['attempts' => '5', 'blank costs' => '2'], 'sections' => [['id' => 'a', 'settings' => ['attempts' => '3'], 'steps' => [self::set('oar'), self::set('trim'), self::set('count')]]]],
            '0 start; 1 check oar ' . self::WRONG . '; 2 check oar ' . self::WRONG . '; 3 check oar ' . self::WRONG . '; 4 go on; 5 check trim ' . self::WRONG . '; 6 check trim ' . self::WRONG . '; 7 go on; 8 hand in',
            ['refused' => '', 'steps.oar.attempt' => 3, 'steps.trim.attempt' => 2, 'steps.count.earned' => '-1'],
        ];
        yield 'S27 points typed here scale what the question says in points' => [
            self::whole([self::set('trim', ['points' => '8'])]),
            '0 start; 1 hint trim; 2 check trim ' . self::WRONG . '; 3 check trim ' . self::RIGHT,
            ['steps.trim.attempts' => '2 1 1 wrong -2 1 1 0 checked · 3 1 2 right 4 1 1 2 checked', 'max' => '8'],
        ];
        yield 'S27 but not what stands in the blueprint' => [
            self::whole([self::set('trim', ['points' => '8', 'wrong costs' => '1'])], ['settings' => ['blank costs' => '1']]),
            '0 start; 1 check trim ' . self::WRONG,
            ['steps.trim.attempts' => '1 1 1 wrong -1 1 0 0 checked'],
        ];
        yield 'S27 points further out count for who says none' => [self::whole([self::set('trim'), self::set('count')], ['settings' => ['points' => '3']]), '0 start; 1 hand in', ['max' => '7']];
        yield 'S28 only one attempt counts where nothing is told, and nobody is sent back' => [
            self::whole([self::set('trim'), self::set('oar')], $quiet),
            '0 start; 1 save trim ' . self::WRONG . '; 2 go on',
            ['steps.trim.outcome' => 'wrong', 'steps.trim.attempt' => 1, 'position' => 'oar'],
        ];
        yield 'S28 in any order a choice leads nowhere' => [
            self::whole([self::set('fork'), self::set('oar')], ['rules' => ['moving' => 'any order']]),
            '0 start; 1 check fork ' . self::RIGHT . '; 2 go on',
            ['path' => 'fork · oar'],
        ];
        yield 'S28 on a shared screen no question has a time' => [
            self::whole([self::set('trim'), self::set('oar')], ['rules' => ['screen' => 'section'], 'settings' => ['time' => '5 s']]),
            '0 start; 20 check oar ' . self::RIGHT,
            ['ran' => '', 'refused' => ''],
        ];
    }

    /**
     * @param array<string, mixed> $blueprint
     * @param array<string, mixed> $expected
     */
    #[DataProvider('cases')]
    public function test_attempts(array $blueprint, string $events, array $expected): void
    {
        self::assertCame($expected, self::sat(self::plan([], $blueprint), $events));
    }
}
