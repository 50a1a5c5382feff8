<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Guessing;

use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;

/**
 * How the questions of a pool are guessed at worst and at best: for each points, a question of it is at least as likely to earn them as
 * the poorest, and at most as the best.
 */
final class Envelope
{
    /**
     * The distribution whose chance of at least so many points is the smallest, or the largest, of all.
     *
     * @param non-empty-list<list<array{points: Points, chance: Ratio}>> $pool
     *
     * @return list<array{points: Points, chance: Ratio}>
     */
    public static function of(array $pool, bool $best): array
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
            $tail = array_reduce($tails, static fn (Ratio $a, Ratio $b): Ratio => $b->compareTo($a) > 0 === $best ? $b : $a, $tails[0]);
            $chance = $tail->minus($so);
            if (!$chance->isZero()) {
                $envelope[] = ['points' => $one, 'chance' => $chance];
            }
            $so = $tail;
        }

        return array_reverse($envelope);
    }
}
