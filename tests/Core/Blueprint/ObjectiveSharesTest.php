<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Blueprint;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Blueprint\Check\MinimumAdvice;
use Zetema\Core\Blueprint\Dealing\BlueprintDealer;
use Zetema\Core\Blueprint\Paths\ObjectiveShares;
use Zetema\Core\Blueprint\Paths\PathTotals;
use Zetema\Core\Blueprint\Paths\Span;
use Zetema\Core\Blueprint\Paths\Ways;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Drawing\Dealer;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Drawing\Stock\ListedStock;
use Zetema\Core\Question\Points;

/** The margin tells how much of the points each objective has, so that it can be held against the share wished. */
final class ObjectiveSharesTest extends TestCase
{
    /** Two objectives below one: of hives three of 2 points and one of 4, of queens four of 1, one survey question. */
    private static function stock(): ListedStock
    {
        $one = static fn (string $id, string $objective, string $worth): EligibleQuestion => new EligibleQuestion($id, 'one', ['Bees', ...explode('/', $objective)], [], null, Points::of($worth));

        return new ListedStock([
            $one('h1', 'Hives', '2'),
            $one('h2', 'Hives/Frames', '2'),
            $one('h3', 'Hives', '2'),
            $one('h4', 'Hives', '4'),
            $one('q1', 'Queens', '1'),
            $one('q2', 'Queens', '1'),
            $one('q3', 'Queens', '1'),
            $one('q4', 'Queens', '1'),
            $one('asked', 'Queens', '0'),
        ]);
    }

    /**
     * @param list<array<string, mixed>> $steps
     *
     * @return array{ObjectiveShares, list<list<int>>}
     */
    private static function shares(array $steps): array
    {
        $blueprint = BlueprintReader::planned(['v' => 2, 'title' => 'T', 'sections' => [['id' => 's', 'steps' => $steps]]]);
        $ways = new Ways($blueprint);
        $plan = BlueprintDealer::plan($blueprint);
        $paths = array_column(PathTotals::of($ways, array_map(static fn (): Span => Span::nothing(), $ways->steps))->each, 'places');

        return [new ObjectiveShares($ways, new Dealer($plan, self::stock()), $plan->draws()), $paths];
    }

    /** @return iterable<string, array{list<array<string, mixed>>, string, string|null}> steps, objective, least and most in percent */
    public static function forms(): iterable
    {
        $draw = static fn (string $id, int $take, string $of, array $settings = []): array => [
            'id' => $id,
            'draw' => ['take' => $take, 'pool' => ['objective' => "Bees > $of"]],
            ...$settings === [] ? [] : ['settings' => $settings],
        ];
        $fixed = static fn (string $name): array => ['id' => "f$name", 'question' => $name];
        $all = ['id' => 'all', 'draw' => ['take' => 3, 'pool' => ['kinds' => ['one'], 'without' => ['h4', 'asked']]]];
        yield 'fixed questions' => [[$fixed('h4'), $fixed('q1'), $fixed('q2')], 'Bees > Hives', '66.7'];
        yield 'what lies below it counts' => [[$fixed('h2'), $fixed('q1')], 'Bees > Hives', '66.7'];
        yield 'only what lies below it' => [[$fixed('h2'), $fixed('h1')], 'Bees > Hives > Frames', '50'];
        yield 'a name that begins alike is another' => [[$fixed('h2')], 'Bees > Hive', '0'];
        yield 'draws with points of their own, and a question that has none' => [[$draw('a', 1, 'Hives > Frames', ['points' => '5']), $draw('b', 4, 'Queens', ['points' => '2'])], 'Bees > Queens', '54.5–61.5'];
        yield 'differing worth' => [[$draw('a', 1, 'Hives'), $fixed('q1')], 'Bees > Hives', '66.7–80'];
        yield 'a draw over both' => [[$all], 'Bees > Hives', '0–100'];
        yield 'a draw that must take some of both' => [[['id' => 'd', 'draw' => ['take' => 5, 'pool' => ['without' => ['h4', 'asked']]], 'settings' => ['points' => '1']]], 'Bees > Hives', '20–60'];
        yield 'points said at a step' => [[[...$fixed('q1'), 'settings' => ['points' => '6']], $fixed('h1')], 'Bees > Queens', '75'];
        yield 'by the path' => [[$fixed('h1'), ['id' => 'c', 'checkpoint' => ['routes' => [['when' => ['points' => 'all', 'is' => '>=', 'value' => '2'], 'to' => 'end']]]], $fixed('q1')], 'Bees > Hives', '66.7–100'];
        yield 'nothing that has points' => [[$fixed('asked')], 'Bees > Queens', null];
    }

    /** @param list<array<string, mixed>> $steps */
    #[DataProvider('forms')]
    public function test_between_which_shares_an_objective_has_of_the_points(array $steps, string $objective, ?string $expected): void
    {
        [$shares, $paths] = self::shares($steps);
        $of = $shares->of($objective, $paths);
        $words = $of === null ? null : implode('–', array_unique(array_map(static fn ($share): string => (string) Points::rounded($share->multipliedBy(100), 1), $of)));
        self::assertSame($expected, $words);
    }

    public function test_objectives_are_told_from_where_they_divide(): void
    {
        self::assertSame(['Bees > Hives', 'Bees > Queens'], self::shares([['id' => 'a', 'question' => 'h2'], ['id' => 'b', 'question' => 'q1']])[0]->divided());
        self::assertSame(['Bees > Hives', 'Bees > Hives > Frames'], self::shares([['id' => 'a', 'question' => 'h2'], ['id' => 'b', 'question' => 'h1']])[0]->divided());
    }

    /** @return iterable<string, array{list<array<string, mixed>>, array<string, string>, string|null}> steps, minimum, what is said */
    public static function minimums(): iterable
    {
        $hives = ['id' => 'd', 'draw' => ['take' => 1, 'pool' => ['objective' => 'Bees > Hives']]];
        $any = ['id' => 'a', 'draw' => ['take' => 2, 'pool' => ['kinds' => ['one']]]];
        $past = ['id' => 'c', 'checkpoint' => ['routes' => [['when' => ['points' => 'all', 'is' => '>=', 'value' => '1'], 'to' => 'end']]]];
        $queen = ['id' => 'q', 'question' => 'q1'];
        yield 'a fixed question of it' => [[['id' => 'h', 'question' => 'h2']], ['percent' => '50'], null];
        yield 'a draw of it' => [[$hives], ['percent' => '50'], null];
        yield 'a draw that may be of it' => [[$any], ['percent' => '50'], 'may ask nothing of Bees > Hives'];
        yield 'a draw so large that some are of it' => [[[...$any, 'draw' => ['take' => 7, 'pool' => ['kinds' => ['one']]]]], ['percent' => '50'], null];
        yield 'a path that passes it by' => [[$queen, $past, $hives], ['percent' => '50'], 'a form, or a path through it, may ask nothing of'];
        yield 'nothing of it at all' => [[$queen], ['percent' => '50'], 'nothing is asked of Bees > Hives'];
        yield 'more points than some forms have' => [[$hives], ['points' => '3'], 'in some forms Bees > Hives has 2 points in all; its minimum of 3'];
        yield 'as many points as all forms have' => [[$hives], ['points' => '2'], null];
    }

    /**
     * @param list<array<string, mixed>> $steps
     * @param array<string, string> $mark
     */
    #[DataProvider('minimums')]
    public function test_a_minimum_that_may_not_apply_or_be_reached_is_told(array $steps, array $mark, ?string $expected): void
    {
        [$shares, $paths] = self::shares($steps);
        $blueprint = BlueprintReader::planned(['v' => 2, 'title' => 'T', 'pass' => ['percent' => '60', 'objectives' => [['objective' => 'Bees > Hives', ...$mark]]], 'sections' => [['id' => 's', 'steps' => $steps]]]);
        $found = MinimumAdvice::on($blueprint, $shares, $paths);

        self::assertCount($expected === null ? 0 : 1, $found);
        if ($expected !== null) {
            self::assertStringContainsString($expected, $found[0]->message);
            self::assertSame('minimum Bees > Hives', $found[0]->subject);
        }
    }
}
