<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Blueprint;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Blueprint\Check\TrustedNames;
use Zetema\Core\Blueprint\Reaching\AsIf;
use Zetema\Core\Blueprint\Reaching\ReachingGrid;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Step\CheckpointStep;
use Zetema\Core\Question\Points;

/** For a checkpoint: with which points and tallies each of its routes is reached. */
final class ReachingGridTest extends TestCase
{
    /** @return iterable<string, array{list<array<string, mixed>>, string}> conditions of its routes, the grid of 20 points: ranges of points, each with its routes by column */
    public static function grids(): iterable
    {
        $points = static fn (string $is, string|array $value, mixed $of = 'all'): array => ['points' => $of, 'is' => $is, 'value' => $value];
        $calm = static fn (string $is, string $value): array => ['tally' => 'calm', 'is' => $is, 'value' => $value];

        yield 'by points' => [[$points('>=', '13'), $points('>=', '5')], '0 to 4: -; 5 to 12: 2; 13 to 20: 1'];
        yield 'more and fewer' => [[$points('>', '13'), $points('<', '5')], '0 to 4: 2; 5 to 13: -; 14 to 20: 1'];
        yield 'exactly, and between' => [[$points('=', '7'), $points('between', ['3', '5'])], '0 to 2: -; 3 to 5: 2; 6 to 6: -; 7 to 7: 1; 8 to 20: -'];
        yield 'halves' => [[$points('>=', '7.5')], '0 to 7.4: -; 7.5 to 20: 1'];
        yield 'by percent, exactly' => [[['percent' => 'all', 'is' => '>=', 'value' => '33']], '0 to 6.5: -; 6.6 to 20: 1'];
        yield 'by percent of a section' => [[['percent' => ['section' => 'one'], 'is' => '>=', 'value' => '50']], '0 to 9: -; 10 to 20: 1'];
        yield 'below nothing' => [[$points('<', '-2')], '-3 to -3: 1; -2 to 20: -'];
        yield 'more than there are' => [[$points('>=', '99')], '0 to 20: -; never 1'];
        yield 'one that comes too late' => [[$points('>=', '5'), $points('>=', '8')], '0 to 4: -; 5 to 20: 1; never 2'];
        yield 'by a tally' => [[$calm('>=', '4')], 'calm ..3 | calm 4..; 0 to 20: - 1'];
        yield 'by both' => [[['all' => [$points('>=', '6'), $calm('<', '0')]]], 'calm ..-1 | calm 0..; 0 to 5: - -; 6 to 20: 1 -'];
        yield 'by two tallies' => [[$calm('>=', '2'), ['tally' => 'haste', 'is' => '>=', 'value' => '1']], 'calm ..1 haste ..0 | calm ..1 haste 1.. | calm 2.. haste ..0 | calm 2.. haste 1..; 0 to 20: - 2 1 1'];
        yield 'either' => [[['any' => [$points('>=', '6'), ['not' => $points('>=', '1')]]]], '0 to 0: 1; 1 to 5: -; 6 to 20: 1'];
        yield 'by an answer alone' => [[['chosen' => 'trim', 'choice' => 2]], '0 to 20: -; never 1'];
        yield 'by points in some questions' => [[$points('>=', '1', ['questions' => ['trim']])], '0 to 20: -; never 1'];
    }

    /** @param list<array<string, mixed>> $conditions */
    #[DataProvider('grids')]
    public function test_each_route_is_told_with_what_reaches_it(array $conditions, string $expected): void
    {
        $grid = (new ReachingGrid(self::checkpoint($conditions), Points::of('20')))->toData();
        self::assertNotNull($grid);
        $heads = array_map(
            static fn (array $column): string => implode(' ', array_map(static fn (string $tally, array $range): string => "$tally {$range['from']}..{$range['to']}", array_keys($column), $column)),
            $grid['columns'],
        );
        $rows = array_map(
            static fn (array $range, array $row): string => "{$range['from']} to {$range['to']}: " . implode(' ', array_map(static fn (?int $route): string => (string) ($route ?? '-'), $row)),
            $grid['points'],
            $grid['cells'],
        );
        $parts = [...$heads === [''] ? [] : [implode(' | ', $heads)], ...$rows, ...$grid['never'] === [] ? [] : ['never ' . implode(', ', $grid['never'])]];

        self::assertSame($expected, implode('; ', $parts));
    }

    public function test_every_value_within_a_range_takes_its_route(): void
    {
        $checkpoint = self::checkpoint([
            ['points' => 'all', 'is' => '<', 'value' => '4'],
            ['percent' => 'all', 'is' => '>=', 'value' => '77'],
            ['tally' => 'calm', 'is' => '>=', 'value' => '3'],
            ['not' => ['points' => 'all', 'is' => '=', 'value' => '9.5']],
        ]);
        $grid = (new ReachingGrid($checkpoint, Points::of('20')))->toData();
        self::assertNotNull($grid);
        $tried = 0;
        for ($tenths = 0; $tenths <= 200; ++$tenths) {
            foreach (range(-2, 8) as $calm) {
                $so = new AsIf($earned = Points::of((string) ($tenths / 10)), Points::of('20'), ['calm' => $calm]);
                $taken = null;
                foreach ($checkpoint->routes as $i => $route) {
                    $taken ??= $route->when->holds($so) ? $i + 1 : null;
                }
                foreach ($grid['points'] as $r => $range) {
                    foreach ($grid['columns'] as $c => ['calm' => $of]) {
                        if ($earned->compare(Points::of($range['from'])) >= 0 && $earned->compare(Points::of($range['to'])) <= 0 && $calm >= ($of['from'] ?? $calm) && $calm <= ($of['to'] ?? $calm)) {
                            self::assertSame($taken, $grid['cells'][$r][$c], "$earned, $calm");
                            ++$tried;
                        }
                    }
                }
            }
        }
        self::assertSame(201 * 11, $tried, 'each value lies in one cell');
    }

    public function test_where_there_would_be_too_many_columns_none_is_told(): void
    {
        $conditions = array_map(static fn (int $i): array => ['tally' => "t$i", 'is' => '>=', 'value' => '5'], range(1, 6));

        self::assertNull((new ReachingGrid(self::checkpoint($conditions), Points::of('20')))->toData());
    }

    /** @param list<array<string, mixed>> $conditions */
    private static function checkpoint(array $conditions): CheckpointStep
    {
        $tallies = array_map(static fn (string $name): array => ['name' => $name], ['calm', 'haste', ...array_map(static fn (int $i): string => "t$i", range(1, 6))]);
        $blueprint = BlueprintReader::read(
            [
                'v' => 2,
                'title' => 'T',
                'tallies' => $tallies,
                'sections' => [
                    [
                        'id' => 'one',
                        'steps' => [
                            ['id' => 'q', 'question' => 'trim'],
                            ['id' => 'c', 'checkpoint' => ['routes' => array_map(static fn (array $when): array => ['when' => $when, 'to' => 'end'], $conditions), 'otherwise' => 'next']],
                            ['id' => 'p', 'question' => 'oar'],
                        ],
                    ],
                ],
            ],
            new TrustedNames(),
        );
        $step = $blueprint->sections[0]->steps[1];
        self::assertInstanceOf(CheckpointStep::class, $step);

        return $step;
    }
}
