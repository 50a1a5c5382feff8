<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Guessing;

use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;

/**
 * The chance of reaching a mark by guessing alone, over all forms of a blueprint. Where the questions of a pool are guessed alike it is exact; else
 * it lies between two bounds: for each points a form's question is at least as likely to earn them as the poorest of its pool, and at most as the best.
 *
 * @phpstan-type Distribution list<array{points: Points, chance: Ratio}>
 */
final class PassingByGuess
{
    /**
     * @param list<array{int, non-empty-list<list<array{points: Points, chance: Ratio}>>}> $draws how many are taken, and how each question of the pool is guessed; a fixed one is a pool of one
     * @param Ratio $least the points that must be reached in the form that asks least, and in the one that asks most
     *
     * @return array{least: Ratio, most: Ratio}
     */
    public static function chance(array $draws, Ratio $least, Ratio $most): array
    {
        $poorest = $best = [];
        foreach ($draws as [$take, $pool]) {
            array_push($poorest, ...array_fill(0, $take, self::envelope($pool, best: false)));
            array_push($best, ...array_fill(0, $take, self::envelope($pool, best: true)));
        }

        return [
            'least' => FormGuessing::chanceToReach(FormGuessing::total($poorest), $most),
            'most' => FormGuessing::chanceToReach(FormGuessing::total($best), $least),
        ];
    }

    /**
     * The distribution whose chance of at least so many points is the smallest, or the largest, of all.
     *
     * @param non-empty-list<list<array{points: Points, chance: Ratio}>> $pool
     *
     * @return list<array{points: Points, chance: Ratio}>
     */
    private static function envelope(array $pool, bool $best): array
    {
        $points = [];
        foreach ($pool as $distribution) {
            foreach ($distribution as $row) {
                $points[(string) $row['points']] = $row['points'];
            }
        }
        usort($points, static fn (Points $a, Points $b): int => $b->compare($a));
        $envelope = [];
        $so = Ratio::zero();
        foreach ($points as $one) {
            $tails = array_map(static fn (array $distribution): Ratio => FormGuessing::chanceToReach($distribution, $one->exact()), $pool);
            $tail = array_reduce($tails, static fn (Ratio $a, Ratio $b): Ratio => ($b->compareTo($a) > 0) === $best ? $b : $a, $tails[0]);
            $chance = $tail->minus($so);
            if (!$chance->isZero()) {
                $envelope[] = ['points' => $one, 'chance' => $chance];
            }
            $so = $tail;
        }

        return array_reverse($envelope);
    }
}
