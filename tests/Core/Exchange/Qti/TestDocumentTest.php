<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange\Qti;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Blueprint\Check\TrustedNames;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Exchange\Qti\Tests\Assessment;
use Zetema\Core\Exchange\Qti\Tests\TestDocument;

/** A test that was read is a whole blueprint: its steps keep their numbers, timed parts are sections, its rules ours, its conditions checkpoints. */
final class TestDocumentTest extends TestCase
{
    private const FORWARD = ['moving' => 'forward only', 'tellsAtOnce' => true];
    private const STEPS = [['question' => 'a'], ['question' => 'b'], ['question' => 'c'], ['question' => 'd']];

    /**
     * @param array<string, mixed> $rules
     * @param list<array<string, mixed>> $steps
     * @param list<array{title: string, steps: array{int, int}, seconds: int}> $timed
     * @param list<array{at: int, isBefore: bool, of: string, is: string, than: string, goTo: string|null, to: int}> $routes
     * @param array<string, string>|null $pass
     * @param array<string, string> $closing
     */
    private static function test(array $rules = self::FORWARD, array $steps = self::STEPS, array $timed = [], array $routes = [], ?array $pass = null, array $closing = [], string $title = 'The exam'): Assessment
    {
        return new Assessment('exam', $title, $steps, $pass, $rules, $timed, $routes, $closing);
    }

    /** @return array{at: int, isBefore: bool, of: string, is: string, than: string, goTo: string|null, to: int} */
    private static function route(int $at, string $of, string $is, string $than, int $to, bool $isBefore = false): array
    {
        return ['at' => $at, 'isBefore' => $isBefore, 'of' => $of, 'is' => $is, 'than' => $than, 'goTo' => $isBefore ? null : 'x', 'to' => $to];
    }

    /** @return iterable<string, array{Assessment, array<string, mixed>, 2?: list<string>}> the test, fields of the document, what is left behind */
    public static function read(): iterable
    {
        yield 'a name where there is no title' => [self::test(title: ''), ['title' => 'exam']];
        yield 'a title that is too long' => [self::test(title: str_repeat('long ', 50)), ['title' => str_repeat('long ', 32)]];
        yield 'forward, told at once' => [self::test(), ['rules' => ['moving' => 'forward only', 'feedback' => 'after each attempt']]];
        yield 'any order, told at the end' => [self::test(['moving' => 'any order', 'tellsAtOnce' => false]), ['rules' => ['moving' => 'any order', 'feedback' => 'at the end']]];
        yield 'all that holds' => [
            self::test(['seconds' => 3600, 'moving' => 'any order', 'tellsAtOnce' => true, 'mayLeaveBlank' => false, 'showsKey' => true]),
            [
                'rules' => ['time' => '3600 s', 'moving' => 'any order', 'feedback' => 'after each attempt', 'mustAnswer' => true, 'key' => true],
                'review' => ['passed' => [['rung' => 'marked paper with key and feedback']], 'notPassed' => [['rung' => 'marked paper with key and feedback']]],
            ],
        ];
        yield 'a review without the key' => [self::test(), ['review' => ['passed' => [['rung' => 'marked paper']], 'notPassed' => [['rung' => 'marked paper']]]]];
        yield 'no review' => [self::test([...self::FORWARD, 'review' => 'nothing']), ['review' => []]];
        yield 'a pass mark' => [self::test(pass: ['percent' => '60']), ['pass' => ['percent' => '60']]];
        yield 'closing pages' => [self::test(closing: ['passed' => 'exam passed', 'not passed' => 'exam not passed']), ['closing' => ['passed' => 'exam passed', 'notPassed' => 'exam not passed']]];
        yield 'one closing page' => [self::test(closing: ['not passed' => 'exam not passed']), ['closing' => ['notPassed' => 'exam not passed']]];
        yield 'a page, points, attempts and a time' => [
            self::test(steps: [['page' => 'S1'], ['question' => 'a', 'points' => '5', 'attempts' => '2', 'time' => '60 s'], ['question' => 'b']]),
            [
                'sections' => [
                    [
                        'id' => 'part-1',
                        'steps' => [['id' => '1', 'page' => 'S1'], ['id' => '2', 'question' => 'a', 'settings' => ['points' => '5', 'attempts' => '2', 'time' => '60 s']], ['id' => '3', 'question' => 'b']],
                    ],
                ],
            ],
        ];
        yield 'a draw with points' => [
            self::test(steps: [['draw' => ['take' => 1, 'pool' => ['only' => ['a', 'b']], 'place' => 'mixed', 'points' => '2'], 'time' => '30 s']]),
            ['sections' => [['id' => 'part-1', 'steps' => [['id' => '1', 'draw' => ['take' => 1, 'pool' => ['only' => ['a', 'b']], 'place' => 'mixed'], 'settings' => ['time' => '30 s', 'points' => '2']]]]]],
        ];
        yield 'several attempts where nothing is told before the end' => [
            self::test(['moving' => 'any order', 'tellsAtOnce' => false], [['question' => 'a', 'attempts' => '3', 'points' => '2']]),
            ['sections' => [['id' => 'part-1', 'steps' => [['id' => '1', 'question' => 'a', 'settings' => ['points' => '2']]]]]],
            ['maxAttempts at step 1: nothing is told before the end, so each question has one'],
        ];
    }

    /**
     * @param array<string, mixed> $expected
     * @param list<string> $left
     */
    #[DataProvider('read')]
    public function test_it_is_a_blueprint(Assessment $test, array $expected, array $left = []): void
    {
        $document = new TestDocument($test);
        self::assertEquals($expected, array_intersect_key($document->document, $expected));
        self::assertSame($left, $document->left);
        self::assertSame($document->document['title'], BlueprintReader::read($document->document, new TrustedNames())->title);
    }

    /** @return iterable<string, array{list<array{title: string, steps: array{int, int}, seconds: int}>, list<string>, 2?: list<string>}> timed parts, sections as "id time: steps", what is left behind */
    public static function timedParts(): iterable
    {
        $part = static fn (string $title, int $from, int $to, int $seconds): array => ['title' => $title, 'steps' => [$from, $to], 'seconds' => $seconds];
        yield 'none' => [[], ['part-1: 1 2 3 4']];
        yield 'at the beginning' => [[$part('One', 1, 2, 60)], ['part-1 60 s: 1 2', 'part-2: 3 4']];
        yield 'in the middle' => [[$part('One', 2, 3, 60)], ['part-1: 1', 'part-2 60 s: 2 3', 'part-3: 4']];
        yield 'one after another' => [[$part('One', 1, 2, 60), $part('Two', 3, 4, 90)], ['part-1 60 s: 1 2', 'part-2 90 s: 3 4']];
        yield 'one in another' => [[$part('Inner', 2, 2, 60), $part('Outer', 1, 4, 300)], ['part-1: 1', 'part-2 60 s: 2', 'part-3: 3 4'], ['timeLimits of “Outer”, in which others have a time of their own']];
        yield 'the same steps twice' => [[$part('Inner', 1, 2, 60), $part('Outer', 1, 2, 300)], ['part-1 60 s: 1 2', 'part-2: 3 4'], ['timeLimits of “Outer”, in which others have a time of their own']];
        yield 'one of which nothing came along' => [[$part('Empty', 3, 2, 60)], ['part-1: 1 2 3 4']];
    }

    /**
     * @param list<array{title: string, steps: array{int, int}, seconds: int}> $timed
     * @param list<string> $sections
     * @param list<string> $left
     */
    #[DataProvider('timedParts')]
    public function test_parts_with_a_time_are_sections(array $timed, array $sections, array $left = []): void
    {
        $document = new TestDocument(self::test(timed: $timed));
        $read = BlueprintReader::read($document->document, new TrustedNames());
        self::assertSame($sections, array_map(static fn ($s): string => $s->id . ($s->seconds === null ? '' : " $s->seconds s") . ': ' . implode(' ', array_column($s->steps, 'id')), $read->sections));
        self::assertSame($left, $document->left);
    }

    /** @return iterable<string, array{list<array{at: int, isBefore: bool, of: string, is: string, than: string, goTo: string|null, to: int}>, array<string, mixed>}> routes, checkpoints by their ids */
    public static function waysOn(): iterable
    {
        $a = ['points' => ['questions' => ['a']], 'is' => '<', 'value' => '1'];
        $all = ['points' => 'all', 'is' => '>=', 'value' => '4'];
        yield 'past a question' => [[self::route(1, 'a', '<', '1', 3)], ['after-1' => ['routes' => [['when' => $a, 'to' => '3']]]]];
        yield 'to the end' => [[self::route(2, 'all', '>=', '4', 5)], ['after-2' => ['routes' => [['when' => $all, 'to' => 'end']]]]];
        yield 'two ways, the first that holds' => [[self::route(1, 'a', '<', '1', 4), self::route(1, 'all', '>=', '4', 3)], ['after-1' => ['routes' => [['when' => $a, 'to' => '4'], ['when' => $all, 'to' => '3']]]]];
        yield 'asked only if it holds' => [[self::route(3, 'a', '<', '1', 4, true)], ['before-3' => ['routes' => [['when' => $a, 'to' => 'next']], 'otherwise' => '4']]];
        yield 'asked only if both hold' => [
            [self::route(3, 'a', '<', '1', 5, true), self::route(3, 'all', '>=', '4', 5, true)],
            ['before-3' => ['routes' => [['when' => ['all' => [$a, $all]], 'to' => 'next']], 'otherwise' => 'end']],
        ];
        yield 'to where something is asked only if it holds' => [
            [self::route(1, 'all', '>=', '4', 3), self::route(3, 'a', '<', '1', 4, true)],
            ['after-1' => ['routes' => [['when' => $all, 'to' => 'before-3']]], 'before-3' => ['routes' => [['when' => $a, 'to' => 'next']], 'otherwise' => '4']],
        ];
    }

    /**
     * @param list<array{at: int, isBefore: bool, of: string, is: string, than: string, goTo: string|null, to: int}> $routes
     * @param array<string, mixed> $expected
     */
    #[DataProvider('waysOn')]
    public function test_where_it_leads_by_points_is_a_checkpoint(array $routes, array $expected): void
    {
        $document = new TestDocument(self::test(routes: $routes));
        BlueprintReader::read($document->document, new TrustedNames());
        self::assertTrue($document->hasRoutes());
        self::assertSame([], $document->left);
        $checkpoints = [];
        foreach (self::sections($document) as $section) {
            foreach ($section['steps'] as $step) {
                $checkpoints += isset($step['checkpoint']) ? [$step['id'] => $step['checkpoint']] : [];
            }
        }
        self::assertSame($expected, $checkpoints);
        $without = new TestDocument(self::test(routes: $routes), withRoutes: false);
        self::assertStringNotContainsString('checkpoint', json_encode($without->document, JSON_THROW_ON_ERROR));
        self::assertCount(count($expected), $without->left);
    }

    public function test_where_one_moves_in_any_order_nothing_leads_elsewhere(): void
    {
        $document = new TestDocument(self::test(['moving' => 'any order', 'tellsAtOnce' => true], routes: [self::route(1, 'a', '<', '1', 3)]));
        self::assertFalse($document->hasRoutes());
        self::assertSame(['branchRule at step 1, which leads nowhere where one moves in any order'], $document->left);
    }

    /** @return list<array{id: string, steps: list<array{id: string, checkpoint?: mixed}>}> */
    private static function sections(TestDocument $document): array
    {
        $sections = $document->document['sections'];
        assert(is_array($sections));

        return $sections; // @phpstan-ignore return.type (as it was made)
    }
}
