<?php

declare(strict_types=1);

namespace Zetema\Tests\Core;

use PHPUnit\Framework\TestCase;
use Zetema\Core\Drawing\DealingPlan;
use Zetema\Core\Drawing\Draw;
use Zetema\Core\Drawing\Proof\CannotDeal;
use Zetema\Core\Drawing\Simulation\Simulation;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Drawing\Stock\ListedStock;
use Zetema\Core\Drawing\Stock\Pool;
use Zetema\Core\Question\Points;

/** Many forms are counted as they are dealt: what is promised is the same in each, what is drawn is seen as often as it should be. */
final class SimulationTest extends TestCase
{
    /** @return list<EligibleQuestion> ten of Hive, worth 1 (easy) and 3 (hard), and six of Health, worth 2 */
    private static function questions(): array
    {
        $questions = array_map(static fn (int $i): EligibleQuestion => new EligibleQuestion("hive $i", 'one', ['Hive', 'Frame'], [], $i % 2 === 0 ? 'easy' : 'hard', Points::of($i % 2 === 0 ? '1' : '3')), range(0, 9));

        return [...$questions, ...array_map(static fn (int $i): EligibleQuestion => new EligibleQuestion("health #$i", 'claim', ['Health'], [], null, Points::of('2')), range(0, 5))];
    }

    /** @param list<Draw|string> $steps */
    private static function simulated(array $steps, int $forms = 2_000): Simulation
    {
        $simulation = new Simulation(new DealingPlan($steps), new ListedStock(self::questions()));
        for ($seed = 1; $seed <= $forms; ++$seed) {
            $simulation->deal($seed);
        }

        return $simulation;
    }

    public function test_what_is_promised_is_the_same_in_every_form_and_what_is_drawn_is_seen_as_often_as_it_should_be(): void
    {
        $simulation = self::simulated(['health #0', new Draw(4, new Pool(['Hive'])), new Draw(2, new Pool(['Health']))]);
        $told = $simulation->toData();
        self::assertSame([2_000, 16, 0], [$told['forms'], $told['pool'], $told['unseen']]);
        $asked = array_column(self::rows($told['asked']), null, 'word');
        self::assertSame([4, 4, '4'], [$asked['Hive']['least'], $asked['Hive']['most'], $asked['Hive']['mean']]);
        self::assertSame([3, 3], [$asked['claim']['least'], $asked['claim']['most']]);
        self::assertSame([0, 4], [$asked['easy']['least'], $asked['easy']['most']]);
        $exposure = $simulation->exposure();
        self::assertCount(16, $exposure);
        self::assertSame(2_000, $exposure['health #0'], 'a fixed one is in every form');
        $hive = array_filter($exposure, static fn (string $id): bool => str_starts_with($id, 'hive'), ARRAY_FILTER_USE_KEY);
        // Each of ten is in four tenths of the forms; chi-square with nine degrees of freedom at this fixed seed.
        $chi = array_sum(array_map(static fn (int $n): float => ($n - 800) ** 2 / (800 * 0.6), $hive));
        self::assertLessThan(27.9, $chi, 'at one in a thousand');
        self::assertSame([2, 3], array_column(self::rows($told['steps']), 'step'));
        self::assertSame([[4, 10], [2, 5]], array_map(static fn (array $s): array => [$s['take'], $s['fit']], self::rows($told['steps'])));
    }

    public function test_worths_rise_and_add_up_and_pairs_share_what_is_expected(): void
    {
        $told = self::simulated([new Draw(2, new Pool(['Hive'])), new Draw(3, new Pool(['Health']))])->toData();
        $worths = self::rows($told['worths']);
        self::assertSame(['8', '10', '12'], array_column($worths, 'points'));
        self::assertSame(2_000, array_sum(array_column($worths, 'forms')));
        $overlap = $told['overlap'];
        assert(is_array($overlap) && is_string($overlap['mean']));
        // 2 × 2/10 and 3 × 3/6.
        self::assertEqualsWithDelta(1.9, (float) $overlap['mean'], 0.1);
        self::assertSame(1_999, array_sum(array_column(self::rows($overlap['pairs']), 'pairs')));
    }

    public function test_what_cannot_be_dealt_is_said_at_once(): void
    {
        $this->expectException(CannotDeal::class);
        self::simulated([new Draw(7, new Pool(['Health']))]);
    }

    public function test_ten_thousand_forms_are_dealt_in_flat_memory(): void
    {
        $before = memory_get_usage();
        $simulation = self::simulated([new Draw(4, new Pool(['Hive'])), new Draw(2, new Pool(['Health']))], 10_000);
        self::assertSame([10_000, true], [$simulation->forms(), memory_get_usage() - $before < 1_000_000]);
        self::assertCount(3, $simulation->exposure(3));
    }

    /** @return list<array<string, mixed>> */
    private static function rows(mixed $rows): array
    {
        self::assertIsArray($rows);

        return array_values($rows); // @phpstan-ignore return.type (lists of rows)
    }
}
