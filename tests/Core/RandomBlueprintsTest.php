<?php

declare(strict_types=1);

namespace Zetema\Tests\Core;

use PHPUnit\Framework\TestCase;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Drawing\Dealer;
use Zetema\Core\Drawing\DealingPlan;
use Zetema\Core\Drawing\Draw;
use Zetema\Core\Drawing\Proof\CannotDeal;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Drawing\Stock\ListedStock;
use Zetema\Core\Drawing\Stock\Pool;
use Zetema\Core\Question\Points;

/** A thousand random blueprints, each held against a solver that tries every set of draws: one can be dealt exactly when it says so, and what is short is named rightly. */
final class RandomBlueprintsTest extends TestCase
{
    private const OBJECTIVES = ['Hive', 'Health'];
    private const KINDS = ['one', 'claim', 'number'];

    /** @return list<EligibleQuestion> */
    private static function questions(Chance $chance): array
    {
        return array_map(
            static fn (int $i): EligibleQuestion => new EligibleQuestion(
                "q$i",
                self::KINDS[$chance->below(3)],
                [self::OBJECTIVES[$chance->below(2)], ...$chance->below(2) === 0 ? [] : ['Below']],
                $chance->below(3) === 0 ? ['spring'] : [],
                null,
                Points::of((string) (1 + $chance->below(3))),
            ),
            range(0, 5 + $chance->below(7)),
        );
    }

    /** @param list<EligibleQuestion> $questions */
    private static function pool(Chance $chance, array $questions): Pool
    {
        $some = static fn (): array => array_values(array_unique(array_map(static fn (): string => $questions[$chance->below(max(1, count($questions)))]->id, range(0, 1 + $chance->below(3)))));

        return match ($chance->below(6)) {
            0 => new Pool([self::OBJECTIVES[$chance->below(2)]], below: $chance->below(2) === 0),
            1 => new Pool(kinds: [self::KINDS[$chance->below(3)]]),
            2 => new Pool([self::OBJECTIVES[$chance->below(2)]], kinds: [self::KINDS[$chance->below(3)], self::KINDS[$chance->below(3)]]),
            3 => new Pool(tags: ['spring'], also: $some()),
            4 => new Pool(only: $some()),
            default => new Pool(without: $some()),
        };
    }

    /** @param list<EligibleQuestion> $questions */
    private static function plan(Chance $chance, array $questions): DealingPlan
    {
        $steps = array_map(static fn (): Draw => new Draw(1 + $chance->below(4), self::pool($chance, $questions)), range(0, $chance->below(4)));
        $fixed = $chance->below(3) === 0 ? [$questions[0]->id] : [];
        $pairs = $chance->below(3) === 0 ? [[$questions[1]->id, $questions[2]->id]] : [];

        return new DealingPlan([...$fixed, ...$steps], $pairs);
    }

    /**
     * Tries every set of draws: one asks for too much if all that fit any of them are fewer.
     *
     * @param list<EligibleQuestion> $questions
     *
     * @return array{list<int>, int, int}|null the set with the fewest draws, then the earliest; what it asks and what fits
     */
    private static function shortage(DealingPlan $plan, array $questions): ?array
    {
        $draws = $plan->draws();
        $found = null;
        for ($set = 1; $set < 1 << count($draws); ++$set) {
            $in = array_values(array_filter(array_keys($draws), static fn (int $d): bool => (($set >> $d) & 1) === 1));
            $ask = array_sum(array_map(static fn (int $d): int => $draws[$d]->take, $in));
            $fit = count(array_filter($questions, static fn (EligibleQuestion $q): bool => !in_array($q->id, $plan->fixed(), true) && array_filter($in, static fn (int $d): bool => $draws[$d]->pool->fits($q)) !== []));
            $numbers = array_map(static fn (int $d): int => $d + 1, $in);
            if ($ask > $fit && ($found === null || [count($numbers), $numbers] < [count($found[0]), $found[0]])) {
                $found = [$numbers, $ask, $fit];
            }
        }

        return $found;
    }

    public function test_one_is_dealt_exactly_when_it_can_be_and_as_it_was_planned(): void
    {
        $dealt = $short = $notFound = 0;
        for ($seed = 1; $seed <= 1_000; ++$seed) {
            $chance = new Chance($seed);
            $questions = self::questions($chance);
            $plan = self::plan($chance, $questions);
            $expected = self::shortage($plan, $questions);
            $dealer = new Dealer($plan, new ListedStock($questions));
            $named = $dealer->shortage();
            self::assertSame($expected, $named === null ? null : [$named->draws, $named->ask, $named->fit], "blueprint $seed");
            if ($expected !== null) {
                ++$short;
                continue;
            }
            try {
                $form = $dealer->deal($seed);
            } catch (CannotDeal $e) {
                self::assertNotSame([], $plan->apart, "blueprint $seed: only what is kept apart can be in the way");
                self::assertNull($e->shortage);
                ++$notFound;
                continue;
            }
            ++$dealt;
            self::assertSame($form->ids(), array_values(array_unique($form->ids())), "blueprint $seed: none twice");
            self::verify($plan, $questions, $form->questions, $seed);
        }
        self::assertGreaterThan(200, $dealt);
        self::assertGreaterThan(200, $short);
        self::assertLessThan(60, $notFound);
    }

    /**
     * @param list<EligibleQuestion> $questions
     * @param list<array{id: string, step: int, worth: Points}> $form
     */
    private static function verify(DealingPlan $plan, array $questions, array $form, int $seed): void
    {
        $byId = array_combine(array_column($questions, 'id'), $questions);
        foreach ($plan->steps as $i => $step) {
            $here = array_values(array_filter($form, static fn (array $q): bool => $q['step'] === $i + 1));
            self::assertCount($step instanceof Draw ? $step->take : 1, $here, "blueprint $seed, step $i");
            foreach ($here as $question) {
                self::assertTrue($step instanceof Draw ? $step->pool->fits($byId[$question['id']]) : $step === $question['id'], "blueprint $seed, step $i");
            }
        }
        foreach ($plan->apart as $pair) {
            self::assertLessThan(2, count(array_intersect($pair, array_column($form, 'id'))), "blueprint $seed: kept apart");
        }
    }
}
