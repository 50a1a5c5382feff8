<?php

declare(strict_types=1);

namespace Zetema\Core\Statistics;

use Zetema\Core\Drawing\Chance;

/** Numbers of the standard normal distribution, from a seed (Box and Muller 1958). For simulation alone: no mark is made of floats. */
final class Normal
{
    private const STEPS = 1_000_000_000;

    public static function draw(Chance $chance): float
    {
        return sqrt(-2 * log(self::uniform($chance))) * cos(2 * M_PI * self::uniform($chance));
    }

    /** Above 0 and up to 1. */
    public static function uniform(Chance $chance): float
    {
        return ($chance->below(self::STEPS) + 1) / self::STEPS;
    }
}
