<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Statistics;

use Zetema\Core\Drawing\Chance;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Question\Response\ChosenChoices;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Statistics\Normal;
use Zetema\Core\Statistics\SimulatedCandidate;
use Zetema\Core\Statistics\TwoParameterLogistic;
use Zetema\Tests\Core\Sitting\SatCase;

/** A crowd that never was answers as a crowd does: the able more often rightly, the others by what pulls them, each at their own pace. */
final class SimulatedCandidateTest extends SatCase
{
    private const CROWD = 1_500;

    private static function place(string $name): QuestionPlace
    {
        return self::paper(self::plan([self::q($name)]))->questionNamed($name) ?? throw new \LogicException('it was asked');
    }

    /** @return list<SimulatedCandidate> from the least able to the ablest */
    private static function crowd(): array
    {
        $crowd = array_map(static fn (int $i): SimulatedCandidate => new SimulatedCandidate(new Chance(5_000 + $i), 77), range(1, self::CROWD));
        usort($crowd, static fn (SimulatedCandidate $a, SimulatedCandidate $b): int => $a->ability <=> $b->ability);

        return $crowd;
    }

    private static function outcome(QuestionPlace $place, ?Response $response): string
    {
        return $response === null ? 'blank' : (new Marker())->mark($place->plan, $response)->outcome->value;
    }

    public function test_numbers_are_those_of_the_normal_distribution(): void
    {
        $chance = new Chance(1);
        $numbers = array_map(static fn (): float => Normal::draw($chance), range(1, 20_000));
        $mean = array_sum($numbers) / 20_000;
        $variance = array_sum(array_map(static fn (float $x): float => ($x - $mean) ** 2, $numbers)) / 20_000;

        self::assertEqualsWithDelta(0, $mean, 0.03);
        self::assertEqualsWithDelta(1, $variance, 0.04);
        self::assertEqualsWithDelta(0.683, count(array_filter($numbers, static fn (float $x): bool => abs($x) < 1)) / 20_000, 0.015);
    }

    public function test_the_chance_is_a_half_at_the_difficulty_and_rises_with_the_ability_as_the_discrimination_says(): void
    {
        $flat = new TwoParameterLogistic(0.5, 1.0);
        $steep = new TwoParameterLogistic(2.0, 1.0);
        self::assertSame([0.5, 0.5], [$flat->chance(1.0), $steep->chance(1.0)]);
        self::assertGreaterThan($flat->chance(2.0), $steep->chance(2.0));
        self::assertLessThan($flat->chance(0.0), $steep->chance(0.0));
        self::assertEqualsWithDelta(0.8808, $steep->chance(2.0), 0.0001);
        self::assertEquals(TwoParameterLogistic::ofQuestion('q7', 3), TwoParameterLogistic::ofQuestion('q7', 3));
        self::assertNotEquals(TwoParameterLogistic::ofQuestion('q7', 3), TwoParameterLogistic::ofQuestion('q8', 3));
    }

    public function test_the_able_are_right_more_often_and_as_often_as_the_question_says(): void
    {
        $place = self::place('oar');
        $expected = $right = [0, 0, 0];
        foreach (self::crowd() as $i => $candidate) {
            $third = intdiv(3 * $i, self::CROWD);
            $expected[$third] += TwoParameterLogistic::ofQuestion('oar', 77)->chance($candidate->ability);
            $right[$third] += self::outcome($place, $candidate->response($place, mustAnswer: true)) === 'right' ? 1 : 0;
        }
        self::assertTrue($right[0] < $right[1] && $right[1] < $right[2], implode(', ', $right));
        foreach ($right as $third => $n) {
            self::assertEqualsWithDelta($expected[$third], $n, 45, "third $third");
        }
    }

    public function test_wrong_choices_pull_some_more_than_others(): void
    {
        $place = self::place('trim');
        $taken = [];
        foreach (self::crowd() as $i => $candidate) {
            $response = $candidate->response($place, mustAnswer: true);
            $choice = $response === null ? 0 : ChosenChoices::in($response)[0];
            $taken[$choice][intdiv(2 * $i, self::CROWD)] = ($taken[$choice][intdiv(2 * $i, self::CROWD)] ?? 0) + 1;
        }
        self::assertEqualsCanonicalizing([1, 2, 3], array_keys($taken));
        $share = static fn (int $choice): float => ($taken[$choice][0] ?? 0) / max(1, $taken[$choice][1] ?? 0);
        self::assertGreaterThan(0.15, abs($share(2) - $share(3)), 'one is rather taken by those who know little');
    }

    public function test_some_are_left_blank_unless_they_must_not_be_and_a_scale_is_answered_by_anything(): void
    {
        $place = self::place('count');
        $blank = static fn (bool $must): int => count(array_filter(self::crowd(), static fn (SimulatedCandidate $c): bool => $c->response($place, mustAnswer: $must) === null));
        self::assertEqualsWithDelta(45, $blank(false), 25);
        self::assertSame(0, $blank(true));
        $scale = self::place('sure');
        $values = array_map(static fn (SimulatedCandidate $c): int => ChosenChoices::in($c->response($scale, mustAnswer: true) ?? Response::blank())[0] ?? 0, self::crowd());
        self::assertEqualsCanonicalizing([1, 2, 3, 4, 5], array_unique($values));
    }

    public function test_times_are_about_the_median_and_shorter_where_there_is_little(): void
    {
        $median = static function (?int $limit): float {
            $all = array_map(static fn (SimulatedCandidate $c): float => $c->seconds($limit), self::crowd());
            sort($all);

            return $all[intdiv(self::CROWD, 2)];
        };
        self::assertEqualsWithDelta(24, $median(null), 2);
        self::assertEqualsWithDelta(5, $median(10), 0.5);
        self::assertEqualsWithDelta(24, $median(600), 2);
    }

    public function test_the_same_seed_gives_the_same_person(): void
    {
        $given = static function (): array {
            $candidate = new SimulatedCandidate(new Chance(9), 77);

            return [$candidate->ability, $candidate->seconds(), ...array_map(static fn (string $name): mixed => $candidate->response(self::place($name))?->toData(), ['trim', 'oar', 'float', 'crew', 'sure'])];
        };
        self::assertEquals($given(), $given());
    }
}
