<?php

declare(strict_types=1);

namespace Zetema\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Drawing\Dealer;
use Zetema\Core\Drawing\DealingPlan;
use Zetema\Core\Drawing\Draw;
use Zetema\Core\Drawing\Proof\CannotDeal;
use Zetema\Core\Drawing\Seen;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Drawing\Stock\ListedStock;
use Zetema\Core\Drawing\Stock\Pool;
use Zetema\Core\Question\Points;

/** A candidate's further form holds what they have not had, then what they had longest ago, as far as the draws allow. */
final class SeenFirstTest extends TestCase
{
    /** @return iterable<string, array{list<Draw|string>, list<list<string>>, list<string>, list<string>}> draws, what was had, what is in every form, what is in none */
    public static function papers(): iterable
    {
        $any = [new Draw(3, new Pool())];
        yield 'what was not had comes first' => [$any, [['a1', 'a2', 'a3']], ['a4', 'a5'], []];
        yield 'enough that was not had' => [[new Draw(2, new Pool())], [['a1', 'a2', 'a3']], ['a4', 'a5'], ['a1', 'a2', 'a3']];
        yield 'then what was had longest ago' => [$any, [['a1'], ['a2', 'a3'], ['a1', 'a4']], ['a5', 'a2', 'a3'], ['a1', 'a4']];
        yield 'everything was had: the longest ago' => [[new Draw(2, new Pool())], [['a4', 'a2'], ['a1', 'a3', 'a5']], ['a2', 'a4'], []];
        yield 'the draws come first, whatever was had' => [[new Draw(1, new Pool(only: ['a1'])), new Draw(1, new Pool())], [['a1']], ['a1'], []];
        yield 'a fixed question stays' => [['a1', new Draw(2, new Pool())], [['a1', 'a2', 'a3']], ['a1', 'a4', 'a5'], []];
        yield 'a draw leaves what it could have to another that has nothing else' => [[new Draw(1, new Pool(only: ['a1', 'a2'])), new Draw(1, new Pool(only: ['a2', 'a3']))], [['a1', 'a3']], ['a2'], []];
        yield 'what is there no more' => [$any, [['gone', 'a1']], [], []];
    }

    /**
     * @param list<Draw|string> $steps
     * @param list<list<string>> $had
     * @param list<string> $in
     * @param list<string> $out
     */
    #[DataProvider('papers')]
    public function test_a_further_form_prefers_what_was_not_had(array $steps, array $had, array $in, array $out): void
    {
        $dealer = new Dealer(new DealingPlan($steps), self::stock(5), new Seen($had));
        foreach (range(1, 40) as $seed) {
            $ids = $dealer->deal($seed)->ids();
            self::assertSame([], array_diff($in, $ids), implode(' ', $ids));
            self::assertSame([], array_intersect($out, $ids), implode(' ', $ids));
            self::assertCount(count($ids), array_unique($ids));
        }
    }

    public function test_no_form_of_the_same_draws_would_be_better(): void
    {
        $chance = new Chance(15);
        $overlapping = 0;
        for ($i = 0; $i < 250; ++$i) {
            $n = 4 + $chance->below(4);
            $ids = array_map(static fn (int $k): string => "a$k", range(1, $n));
            $draws = array_map(
                static fn (): Draw => new Draw(1 + $chance->below(2), new Pool(only: ['a1', ...array_filter($chance->shuffled(array_slice($ids, 1)), static fn (): bool => $chance->below(3) > 0)])),
                range(0, 1 + $chance->below(2)),
            );
            $had = array_map(static fn (): array => array_values(array_filter($ids, static fn (): bool => $chance->below(2) === 0)), range(0, $chance->below(3)));
            $seen = new Seen($had);
            $dealer = new Dealer(new DealingPlan($draws), self::stock($n), $seen);
            $best = self::best($draws, $ids, $seen);
            if ($best === null) {
                continue;
            }
            ++$overlapping;
            foreach ([1, 2, 3] as $seed) {
                $form = $dealer->deal($seed);
                self::assertSame($best, self::tiers($form->ids(), $seen));
                foreach ($form->questions as $question) {
                    self::assertContains($question['id'], $draws[$question['step'] - 1]->pool->only, 'each stands where its draw takes it from');
                }
            }
        }
        self::assertGreaterThan(120, $overlapping);
    }

    public function test_among_what_was_not_had_all_are_as_likely(): void
    {
        $dealer = new Dealer(new DealingPlan([new Draw(1, new Pool())]), self::stock(5), new Seen([['a1', 'a2']]));
        $times = array_count_values(array_merge(...array_map(static fn (int $seed): array => $dealer->deal($seed)->ids(), range(1, 1500))));

        self::assertCount(3, $times);
        self::assertGreaterThan(420, min($times));
    }

    public function test_who_had_nothing_gets_the_form_of_the_seed(): void
    {
        $plan = new DealingPlan([new Draw(2, new Pool(only: ['a1', 'a2', 'a3'])), new Draw(2, new Pool())]);
        $stock = self::stock(6);

        foreach (range(1, 20) as $seed) {
            self::assertEquals((new Dealer($plan, $stock))->deal($seed), (new Dealer($plan, $stock, new Seen([[]])))->deal($seed));
        }
    }

    public function test_what_must_be_kept_apart_goes_before_what_was_had(): void
    {
        $dealer = new Dealer(new DealingPlan([new Draw(2, new Pool())], [['a1', 'a2']]), self::stock(3), new Seen([['a3']]));
        $ids = $dealer->deal(1)->ids();
        sort($ids);

        self::assertContains('a3', $ids);
        $this->expectException(CannotDeal::class);
        (new Dealer(new DealingPlan([new Draw(2, new Pool(only: ['a1', 'a2']))], [['a1', 'a2']]), self::stock(3), new Seen([['a1']])))->deal(1);
    }

    public function test_questions_named_by_digits_are_kept_apart_too(): void
    {
        $stock = new ListedStock(array_map(static fn (string $name): EligibleQuestion => new EligibleQuestion($name, 'one', ['A'], [], null, Points::of('1')), ['7', '8', '9']));
        $ids = (new Dealer(new DealingPlan([new Draw(2, new Pool())], [['7', '8']]), $stock, new Seen([['9']])))->deal(3)->ids();

        self::assertContains('9', $ids);
    }

    public function test_it_is_stored_and_read_again(): void
    {
        $seen = new Seen([['a', 'b'], [], ['b', '7']]);

        self::assertSame([['a'], ['b', '7']], $seen->sittings);
        self::assertEquals($seen, Seen::fromData($seen->sittings));
        self::assertSame([1, 2, 2, 0], array_map($seen->tier(...), ['a', 'b', '7', 'c']));
    }

    /**
     * @param list<Draw> $draws
     * @param list<string> $ids
     * @param list<string> $taken
     *
     * @return list<int>|null how many of each tier the best of all forms has; null: none can be dealt
     */
    private static function best(array $draws, array $ids, Seen $seen, int $slot = 0, array $taken = []): ?array
    {
        $slots = array_merge(...array_map(static fn (Draw $draw): array => array_fill(0, $draw->take, $draw), $draws));
        if ($slot === count($slots)) {
            return self::tiers($taken, $seen);
        }
        $best = null;
        foreach (array_diff(array_intersect($ids, $slots[$slot]->pool->only), $taken) as $id) {
            $found = self::best($draws, $ids, $seen, $slot + 1, [...$taken, $id]);
            $best = $found !== null && ($best === null || $found > $best) ? $found : $best;
        }

        return $best;
    }

    /**
     * @param list<string> $ids
     *
     * @return list<int>
     */
    private static function tiers(array $ids, Seen $seen): array
    {
        $counts = array_fill(0, 1 + count($seen->sittings), 0);
        foreach ($ids as $id) {
            ++$counts[$seen->tier($id)];
        }

        return array_values($counts);
    }

    private static function stock(int $n): ListedStock
    {
        return new ListedStock(array_map(static fn (int $i): EligibleQuestion => new EligibleQuestion("a$i", 'one', ['A'], [], null, Points::of('1')), range(1, $n)));
    }
}
