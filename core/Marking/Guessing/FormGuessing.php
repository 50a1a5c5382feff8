<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Guessing;

use Brick\Math\BigRational;
use Zetema\Core\Question\Points;

/** Guessing a whole form: the convolution of its questions, with the total's floor of 0. */
final class FormGuessing
{
    /**
     * @param list<list<array{points: Points, chance: BigRational}>> $questions
     *
     * @return list<array{points: Points, chance: BigRational}> rising
     */
    public static function total(array $questions): array
    {
        $total = [['points' => Points::zero(), 'chance' => BigRational::one()]];
        foreach ($questions as $question) {
            $next = [];
            foreach ($total as $a) {
                foreach ($question as $b) {
                    $points = $a['points']->plus($b['points']);
                    $key = (string) $points;
                    $chance = $a['chance']->multipliedBy($b['chance']);
                    $next[$key] = ['points' => $points, 'chance' => isset($next[$key]) ? $next[$key]['chance']->plus($chance)->simplified() : $chance->simplified()];
                }
            }
            $total = array_values($next);
        }
        $floored = [];
        foreach ($total as $row) {
            $points = $row['points']->isNegative() ? Points::zero() : $row['points'];
            $key = (string) $points;
            $floored[$key] = ['points' => $points, 'chance' => isset($floored[$key]) ? $floored[$key]['chance']->plus($row['chance'])->simplified() : $row['chance']];
        }
        usort($floored, static fn (array $a, array $b): int => $a['points']->compare($b['points']));

        return $floored;
    }

    /** @param list<array{points: Points, chance: BigRational}> $distribution */
    public static function expected(array $distribution): BigRational
    {
        return array_reduce($distribution, static fn (BigRational $sum, array $row): BigRational => $sum->plus($row['points']->exact()->multipliedBy($row['chance'])), BigRational::zero())->simplified();
    }

    /** @param list<array{points: Points, chance: BigRational}> $distribution */
    public static function chanceToReach(array $distribution, BigRational $points): BigRational
    {
        $reach = array_filter($distribution, static fn (array $row): bool => $row['points']->exact()->isGreaterThanOrEqualTo($points));

        return array_reduce($reach, static fn (BigRational $sum, array $row): BigRational => $sum->plus($row['chance']), BigRational::zero())->simplified();
    }
}
