<?php

declare(strict_types=1);

namespace Zetema\Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Drawing\ChoiceOrder;
use Zetema\Core\Drawing\Dealer;
use Zetema\Core\Drawing\DealingPlan;
use Zetema\Core\Drawing\Draw;
use Zetema\Core\Drawing\PassMark;
use Zetema\Core\Drawing\Proof\CannotDeal;
use Zetema\Core\Drawing\Proof\Proof;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Drawing\Stock\ListedStock;
use Zetema\Core\Drawing\Stock\Pool;
use Zetema\Core\Drawing\Stock\QuestionClass;
use Zetema\Core\Drawing\UnknownQuestion;
use Zetema\Core\Question\Points;

final class DealingTest extends TestCase
{
    use TestTrait;

    public function test_one_seed_gives_one_form_everywhere(): void
    {
        $chance = new Chance(42);

        // Test vectors of docs/formats/dealing.md; whoever deals elsewhere must get the same.
        self::assertSame([1, 1, 0, 2, 5, 1, 5, 6], array_map($chance->below(...), array_fill(0, 8, 7)));
        self::assertSame(['c', 'a', 'e', 'd', 'b'], $chance->shuffled(['a', 'b', 'c', 'd', 'e']));
        self::assertSame([1, 8, 3], $chance->sample(range(0, 9), 3));
    }

    public function test_a_form_takes_what_each_draw_asks_and_no_question_twice(): void
    {
        $blueprint = new DealingPlan([new Draw(2, self::pool('A')), 'a1', new Draw(3, self::pool('B'), Points::of('5'))]);
        $dealer = new Dealer($blueprint, new ListedStock([...self::questions('a', 'A', 5), ...self::questions('b', 'B', 4)]));

        foreach (range(1, 50) as $seed) {
            $form = $dealer->deal($seed);
            self::assertSame(['a', 'a', 'a', 'b', 'b', 'b'], array_map(static fn (string $id): string => $id[0], $form->ids()));
            self::assertSame('a1', $form->ids()[2], 'a fixed question stays in its place');
            self::assertCount(6, array_unique($form->ids()));
            self::assertSame('18', (string) $form->points(), 'three of 1 point and three of 5');
            self::assertEquals($form, $dealer->deal($seed));
        }
    }

    public function test_disjoint_pools_are_dealt_evenly(): void
    {
        $dealer = new Dealer(new DealingPlan([new Draw(2, self::pool('A'))]), new ListedStock(self::questions('a', 'A', 5)));
        $seen = array_fill_keys(['a1', 'a2', 'a3', 'a4', 'a5'], 0);
        foreach (range(1, 2000) as $seed) {
            foreach ($dealer->deal($seed)->ids() as $id) {
                ++$seen[$id];
            }
        }

        // 800 expected of each; five standard deviations are about 110.
        self::assertGreaterThan(690, min($seen));
        self::assertLessThan(910, max($seen));
    }

    public function test_a_deal_succeeds_whenever_any_deal_can(): void
    {
        // First come first served would take b1 for the first draw in most deals and leave the second one short.
        $blueprint = new DealingPlan([new Draw(2, new Pool()), new Draw(1, self::pool('B'))]);
        $dealer = new Dealer($blueprint, new ListedStock([...self::questions('a', 'A', 2), ...self::questions('b', 'B', 1)]));

        foreach (range(1, 40) as $seed) {
            self::assertSame('b1', $dealer->deal($seed)->ids()[2]);
        }
    }

    /** @return iterable<string, array{list<array{int, Pool}>, list<int>, int, int, string}> */
    public static function shortages(): iterable
    {
        yield 'one draw' => [[[3, self::pool('A')], [9, self::pool('B')]], [2], 9, 4, 'Draw 2 asks for 9 questions; only 4 fit it.'];
        yield 'two together' => [[[1, self::pool('A')], [3, self::pool('B')], [2, self::pool('B')]], [2, 3], 5, 4, 'Draws 2 and 3 together ask for 5 questions; only 4 fit them.'];
        yield 'the set with the fewest draws' => [[[3, new Pool()], [3, new Pool()], [4, new Pool()], [5, self::pool('B')]], [4], 5, 4, 'Draw 4 asks for 5 questions; only 4 fit it.'];
        yield 'three together' => [[[3, new Pool()], [3, new Pool()], [4, new Pool()]], [1, 2, 3], 10, 9, 'Draws 1, 2 and 3 together ask for 10 questions; only 9 fit them.'];
    }

    /**
     * @param list<array{int, Pool}> $draws
     * @param list<int> $short
     */
    #[DataProvider('shortages')]
    public function test_a_shortage_names_the_smallest_set_of_draws(array $draws, array $short, int $ask, int $fit, string $words): void
    {
        $blueprint = new DealingPlan(array_map(static fn (array $d): Draw => new Draw($d[0], $d[1]), $draws));
        $dealer = new Dealer($blueprint, new ListedStock([...self::questions('a', 'A', 5), ...self::questions('b', 'B', 4)]));

        try {
            $dealer->deal(1);
            self::fail('a form was dealt');
        } catch (CannotDeal $e) {
            self::assertSame([$short, $ask, $fit], [$e->shortage?->draws, $e->shortage?->ask, $e->shortage?->fit]);
            self::assertSame($words, $e->getMessage());
        }
    }

    public function test_the_flow_agrees_with_trying_everything(): void
    {
        $this->limitTo(120)
            ->forAll(Generators::vector(3, Generators::choose(1, 3)), Generators::vector(5, Generators::choose(0, 7)))
            ->then(function (array $takes, array $fits): void {
                $eligible = [];
                foreach (array_values($fits) as $i => $mask) {
                    $tags = array_values(array_filter(['t0', 't1', 't2'], static fn (string $t): bool => is_int($mask) && (($mask >> (int) $t[1]) & 1) === 1));
                    $eligible[] = new EligibleQuestion("q$i", 'one', [], $tags, null, Points::of('1'));
                }
                $draws = [];
                foreach (array_values($takes) as $d => $take) {
                    $draws[] = new Draw(is_int($take) ? $take : 1, new Pool(tags: ["t$d"]));
                }
                $dealer = new Dealer(new DealingPlan($draws), new ListedStock($eligible));
                $possible = self::anyDeal($draws, $eligible, 0, 0, []);

                self::assertSame($possible, $dealer->shortage() === null);
                if ($possible) {
                    self::assertCount(array_sum(array_map(static fn (Draw $d): int => $d->take, $draws)), array_unique($dealer->deal(7)->ids()));
                }
            });
    }

    public function test_questions_kept_apart_never_meet(): void
    {
        $dealer = new Dealer(new DealingPlan([new Draw(2, new Pool())], [['a1', 'a2']]), new ListedStock(self::questions('a', 'A', 4)));
        foreach (range(1, 60) as $seed) {
            self::assertNotSame(['a1', 'a2'], array_values(array_intersect(['a1', 'a2'], $dealer->deal($seed)->ids())));
        }
        $stuck = new Dealer(new DealingPlan([new Draw(2, new Pool())], [['a1', 'a2']]), new ListedStock(self::questions('a', 'A', 2)));

        try {
            $stuck->deal(1);
            self::fail('what must not meet met');
        } catch (CannotDeal $e) {
            self::assertNull($e->shortage, 'not found is never called impossible');
            self::assertSame(Dealer::TRIES, $e->tries);
        }
    }

    public function test_a_blueprint_that_names_an_unknown_question_is_refused(): void
    {
        $this->expectException(UnknownQuestion::class);
        $this->expectExceptionMessage('“gone”');

        new Dealer(new DealingPlan(['gone']), new ListedStock(self::questions('a', 'A', 2)));
    }

    public function test_a_question_that_may_not_be_dealt_does_not_fit_a_pool_that_names_it(): void
    {
        $pool = new Draw(1, new Pool(only: ['a1', 'retired'], without: ['draft']));
        $dealer = new Dealer(new DealingPlan([$pool], [['a1', 'retired']]), new ListedStock(self::questions('a', 'A', 2), ['retired', 'draft']));

        self::assertSame(['a1'], array_map(static fn (QuestionClass $class): string => $class->sample->id, $dealer->pool(0)));
        self::assertSame(['a1'], $dealer->deal(1)->ids());
        foreach ([new DealingPlan(['retired']), new DealingPlan([new Draw(1, new Pool(only: ['gone']))])] as $refused) {
            try {
                new Dealer($refused, new ListedStock(self::questions('a', 'A', 2), ['retired', 'draft']));
                self::fail('it cannot stand in the running order, and what nobody knows is a problem');
            } catch (UnknownQuestion $e) {
                self::assertCount(1, $e->names);
            }
        }
    }

    public function test_all_graded_questions_of_a_draw_are_worth_what_it_says(): void
    {
        $pool = [
            new EligibleQuestion('plain', 'one', [], [], null, Points::of('10')),
            new EligibleQuestion('weighed', 'one', [], [], null, Points::of('8')),
            new EligibleQuestion('ungraded', 'one', [], [], null, Points::zero()),
        ];
        $draw = new Draw(2, new Pool(), Points::of('5'));

        self::assertSame(['5', '5', '0'], array_map(static fn (EligibleQuestion $c): string => (string) $draw->worthOf($c), $pool));
    }

    /** @return iterable<string, array{Pool, list<string>}> */
    public static function pools(): iterable
    {
        yield 'an objective with what lies below' => [self::pool('A'), ['top', 'below']];
        yield 'without what lies below' => [new Pool(['A'], below: false), ['top']];
        yield 'kinds' => [new Pool(kinds: ['claim']), ['below']];
        yield 'all tags' => [new Pool(tags: ['x', 'y']), ['other']];
        yield 'any difficulty' => [new Pool(difficulty: ['easy', 'hard']), ['top', 'other']];
        yield 'only, and the rest must hold too' => [new Pool(['A'], only: ['top', 'other']), ['top']];
        yield 'hand-picked in and out' => [new Pool(['A'], without: ['top'], also: ['other']), ['below', 'other']];
    }

    /** @param list<string> $expected */
    #[DataProvider('pools')]
    public function test_a_pool_takes_what_meets_its_conditions(Pool $pool, array $expected): void
    {
        $all = [
            new EligibleQuestion('top', 'one', ['A'], ['x'], 'easy', Points::of('1')),
            new EligibleQuestion('below', 'claim', ['A', 'deep'], [], null, Points::of('1')),
            new EligibleQuestion('other', 'one', ['B'], ['x', 'y'], 'hard', Points::of('1')),
        ];

        self::assertSame($expected, array_values(array_map(static fn (EligibleQuestion $c): string => $c->id, array_filter($all, $pool->fits(...)))));
    }

    public function test_the_proof_tells_the_least_and_the_most_and_whether_anyone_can_pass(): void
    {
        $mixed = [...self::questions('a', 'A', 3), new EligibleQuestion('a9', 'one', ['A'], [], null, Points::of('10'))];
        $proof = Proof::of(new DealingPlan([new Draw(2, self::pool('A'))], [], PassMark::points('3')), new ListedStock($mixed));

        self::assertSame(['2', '11', 2], [(string) $proof->least, (string) $proof->most, $proof->questions]);
        self::assertFalse($proof->passIsReachable(), 'who is dealt the poorest form could never reach 3 of 2 points');
        self::assertTrue(Proof::of(new DealingPlan([new Draw(2, self::pool('A'))], [], PassMark::percent('100')), new ListedStock($mixed))->passIsReachable());
    }

    public function test_a_pass_mark_is_compared_exactly(): void
    {
        self::assertFalse(PassMark::percent('60')->isReachedBy(Points::of('59.996'), Points::of('100')));
        self::assertTrue(PassMark::percent('33.3')->isReachedBy(Points::of('0.999'), Points::of('3')));
    }

    public function test_pinned_choices_keep_their_place_when_the_others_are_shuffled(): void
    {
        $question = TextQuestions::one("one: W\n yes: a\n no: b\n no: c\n pinned no: none");
        $orders = array_map(static fn (int $seed): array => ChoiceOrder::of($question, true, new Chance($seed)), range(1, 40));

        self::assertSame([4], array_values(array_unique(array_column($orders, 3))));
        self::assertGreaterThan(3, count(array_unique(array_map(static fn (array $o): string => implode($o), $orders))));
        self::assertSame([1, 2, 3, 4], ChoiceOrder::of($question, false, new Chance(1)));
    }

    private static function pool(string $objective): Pool
    {
        return new Pool([$objective]);
    }

    /** @return list<EligibleQuestion> */
    private static function questions(string $prefix, string $objective, int $n): array
    {
        return array_map(static fn (int $i): EligibleQuestion => new EligibleQuestion($prefix . $i, 'one', [$objective], [], null, Points::of('1')), range(1, $n));
    }

    /**
     * The slow way, to hold the quick one against: every question to every draw it fits.
     *
     * @param list<Draw> $draws
     * @param list<EligibleQuestion> $eligible
     * @param array<string, true> $taken
     */
    private static function anyDeal(array $draws, array $eligible, int $draw, int $have, array $taken): bool
    {
        if (!isset($draws[$draw])) {
            return true;
        }
        if ($have === $draws[$draw]->take) {
            return self::anyDeal($draws, $eligible, $draw + 1, 0, $taken);
        }
        foreach ($eligible as $question) {
            if (!isset($taken[$question->id]) && $draws[$draw]->pool->fits($question) && self::anyDeal($draws, $eligible, $draw, $have + 1, [...$taken, $question->id => true])) {
                return true;
            }
        }

        return false;
    }
}
