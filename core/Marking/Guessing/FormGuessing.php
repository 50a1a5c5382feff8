<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Guessing;

use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;

/** Guessing a whole form: the convolution of its questions, with the total's floor of 0. */
final class FormGuessing
{
    /**
     * @param list<list<array{points: Points, chance: Ratio}>> $questions
     *
     * @return list<array{points: Points, chance: Ratio}> rising
     */
    public static function total(array $questions): array
    {
        $total = [['points' => Points::zero(), 'chance' => Ratio::one()]];
        foreach ($questions as $question) {
            $next = [];
            foreach ($total as $a) {
                foreach ($question as $b) {
                    $points = $a['points']->plus($b['points']);
                    $key = (string) $points;
                    $chance = $a['chance']->multipliedBy($b['chance']);
                    $next[$key] = ['points' => $points, 'chance' => isset($next[$key]) ? $next[$key]['chance']->plus($chance) : $chance];
                }
            }
            $total = array_values($next);
        }
        $floored = [];
        foreach ($total as $row) {
            $points = $row['points']->isNegative() ? Points::zero() : $row['points'];
            $key = (string) $points;
            $floored[$key] = [
                'points' => $points,
                'chance' => isset($floored[$key]) ? $floored[$key]['chance']->plus($row['chance']) : $row['chance'],
            ];
        }
        usort($floored, static fn (array $a, array $b): int => $a['points']->compare($b['points']));

        return $floored;
    }

    /** @param list<array{points: Points, chance: Ratio}> $distribution */
    public static function expected(array $distribution): Ratio
    {
        return array_reduce(
            $distribution,
            static fn (Ratio $sum, array $row): Ratio => $sum->plus($row['points']->exact()->multipliedBy($row['chance'])),
            Ratio::zero(),
        );
    }

    /** @param list<array{points: Points, chance: Ratio}> $distribution */
    public static function chanceToReach(array $distribution, Ratio $points): Ratio
    {
        $reach = array_filter($distribution, static fn (array $row): bool => $row['points']->exact()->compareTo($points) >= 0);

        return array_reduce($reach, static fn (Ratio $sum, array $row): Ratio => $sum->plus($row['chance']), Ratio::zero());
    }
}
