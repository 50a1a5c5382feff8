<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Blueprint;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Blueprint\Paths\PathTotals;
use Zetema\Core\Blueprint\Paths\Span;
use Zetema\Core\Blueprint\Paths\Ways;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Question\Points;

/** What is asked along the paths through an assessment: counted over all of them at once, and the same as when each is walked. */
final class PathsTest extends TestCase
{
    /**
     * Steps in one line: "2" a draw of two, "p" a page, "p>3" a page that leads to the third step, "c>3,end" a checkpoint with routes
     * there, "c>3!end" one that goes to the end otherwise, "q" a question, "q>4" one whose choice leads there.
     */
    private static function ways(string $steps): Ways
    {
        $written = [];
        foreach (explode(' ', $steps) as $i => $step) {
            [$what, $to] = [...explode('>', $step), ''];
            [$routes, $otherwise] = [...explode('!', $to), ''];
            $way = static fn (string $place): string => ctype_digit($place) ? 's' . $place : $place;
            $written[] = [
                'id' => 's' . ($i + 1),
                ...match (true) {
                    $what === 'p' => ['page' => 'a', ...$to === '' ? [] : ['then' => $way($to)]],
                    $what === 'c' => [
                        'checkpoint' => [
                            'routes' => array_map(static fn (string $r): array => ['when' => ['points' => 'all', 'is' => '>=', 'value' => '1'], 'to' => $way($r)], explode(',', $routes)),
                            ...$otherwise === '' ? [] : ['otherwise' => $way($otherwise)],
                        ],
                    ],
                    $what === 'q' => ['question' => "question $i", ...$to === '' ? [] : ['leads' => ['1' => ['then' => $way($to)]]]],
                    default => ['draw' => ['take' => (int) $what, 'pool' => ['kinds' => ['one']]]],
                },
            ];
        }

        return new Ways(BlueprintReader::planned(['v' => 2, 'title' => 'T', 'sections' => [['id' => 'all', 'steps' => $written]]]));
    }

    /** @return list<Span> each question of a draw is worth one point to three, a fixed one two */
    private static function asks(Ways $ways): array
    {
        return array_map(
            static fn (array $at): Span => match (true) {
                $at[1] instanceof \Zetema\Core\Blueprint\Step\DrawStep => new Span($at[1]->draw->take, $at[1]->draw->take, Points::of('1')->times($at[1]->draw->take), Points::of('3')->times($at[1]->draw->take)),
                $at[1] instanceof \Zetema\Core\Blueprint\Step\QuestionStep => new Span(1, 1, Points::of('2'), Points::of('2')),
                default => Span::nothing(),
            },
            $ways->steps,
        );
    }

    private static function words(Span $span): string
    {
        return "$span->fewest-$span->many, $span->least-$span->most";
    }

    /** @return iterable<string, array{string, int, string, list<string>}> steps, how many paths, what all ask, what each asks */
    public static function orders(): iterable
    {
        yield 'straight on' => ['q 2 p', 1, '3-3, 4-8', ['3-3, 4-8']];
        yield 'past a draw' => ['q c>4 2 q', 2, '2-4, 4-10', ['4-4, 6-10', '2-2, 4-4']];
        yield 'to the end' => ['q c>end 2', 2, '1-3, 2-8', ['3-3, 4-8', '1-1, 2-2']];
        yield 'one way or another, and on together' => ['q c>4!3 p>5 3 q', 2, '2-5, 4-13', ['2-2, 4-4', '5-5, 7-13']];
        yield 'a choice that leads on' => ['q>3 2 q', 2, '2-4, 4-10', ['4-4, 6-10', '2-2, 4-4']];
        yield 'two routes to one place are one path' => ['q c>4,4 2 q', 2, '2-4, 4-10', ['4-4, 6-10', '2-2, 4-4']];
        yield 'a page that ends it' => ['q p>end 2', 1, '1-1, 2-2', ['1-1, 2-2']];
        yield 'a way back is none' => ['q c>1 2', 1, '3-3, 4-8', ['3-3, 4-8']];
        yield 'nowhere is nowhere' => ['q c>9!9', 0, '0-0, 0-0', []];
    }

    /** @param list<string> $each */
    #[DataProvider('orders')]
    public function test_least_and_most_are_over_all_paths(string $steps, int $paths, string $all, array $each): void
    {
        $ways = self::ways($steps);
        $totals = PathTotals::of($ways, self::asks($ways));
        self::assertSame([$paths, $all], [$totals->paths, self::words($totals->all)]);
        $told = array_map(static fn (array $path): string => self::words($path['asks']), $totals->each);
        sort($told);
        sort($each);
        self::assertSame($each, $told);
    }

    public function test_ways_taken_are_told_where_it_divides(): void
    {
        $ways = self::ways('q c>4 2 q');
        $taken = array_map(static fn (array $path): array => $path['ways'], PathTotals::of($ways, self::asks($ways))->each);
        self::assertEqualsCanonicalizing([[['step' => 's2', 'to' => 2]], [['step' => 's2', 'to' => 3]]], $taken);
    }

    public function test_before_a_step_stands_what_may_have_been_asked_until_then(): void
    {
        $ways = self::ways('q c>4 2 c>end q');
        self::assertSame(['0-0, 0-0', '1-1, 2-2', '1-1, 2-2', '1-3, 2-8', '1-3, 2-8'], array_map(self::words(...), PathTotals::of($ways, self::asks($ways))->before));
    }

    public function test_many_paths_are_counted_and_not_told_one_by_one(): void
    {
        $eight = self::ways(implode(' ', array_map(static fn (int $i): string => 'c>' . (3 * $i + 3) . ' 1', [0])) . ' c>5 1 c>7 1 q');
        self::assertSame(8, PathTotals::of($eight, self::asks($eight))->paths);
        self::assertCount(8, PathTotals::of($eight, self::asks($eight))->each);
        $steps = implode(' ', array_map(static fn (int $i): string => 'c>' . (2 * $i + 3) . ' 1', range(0, 24)));
        $many = PathTotals::of(self::ways("$steps q"), self::asks(self::ways("$steps q")));
        self::assertSame([1_000_000, [], '1-26, 2-77'], [$many->paths, $many->each, self::words($many->all)]);
    }

    public function test_a_hundred_random_orders_come_to_the_same_as_walking_every_path(): void
    {
        for ($seed = 1; $seed <= 100; ++$seed) {
            $chance = new Chance($seed);
            $length = 3 + $chance->below(7);
            $steps = [];
            for ($i = 1; $i <= $length; ++$i) {
                $later = (string) min($length, $i + 1 + $chance->below($length));
                $steps[] = ['q', '1', 'p', "c>$later", 'c>end', "p>$later", "q>$later", "c>$later!end"][$chance->below(8)];
            }
            $ways = self::ways(implode(' ', $steps));
            $asks = self::asks($ways);
            $walked = self::walk($ways, $asks, 0, Span::nothing());
            $totals = PathTotals::of($ways, $asks);
            self::assertSame(count($walked), $totals->paths, implode(' ', $steps));
            if ($walked !== []) {
                self::assertSame(self::words(array_reduce($walked, static fn (Span $all, Span $one): Span => $all->or($one), $walked[0])), self::words($totals->all), implode(' ', $steps));
            }
        }
    }

    /**
     * @param list<Span> $asks
     *
     * @return list<Span> what every path from a place on comes to
     */
    private static function walk(Ways $ways, array $asks, int $place, Span $so): array
    {
        if ($place >= count($asks)) {
            return [$so];
        }

        return array_merge(...array_map(static fn (int $to): array => self::walk($ways, $asks, $to, $so->and($asks[$place])), $ways->from($place)));
    }
}
