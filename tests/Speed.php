<?php

declare(strict_types=1);

namespace Zetema\Tests;

use PHPUnit\Framework\Assert;

/**
 * Bounds of time that hold on a machine that does other things besides: they are stretched by what a fixed loop takes in
 * the same moments, and never shortened. The best of three counts, for a busy machine only ever slows work down.
 */
final class Speed
{
    private const TURNS = 1_000_000;
    /** What the loop takes where nothing else runs, in ms, rounded up. */
    private const USUAL = 10.0;

    /**
     * @param callable(): mixed $work done up to three times
     */
    public static function within(float $milliseconds, callable $work, string $what = ''): void
    {
        $best = INF;
        for ($run = 0; $run < 3 && $best >= $milliseconds; ++$run) {
            $before = self::slowness();
            $start = hrtime(true);
            $work();
            $took = (hrtime(true) - $start) / 1e6;
            $best = min($best, $took / max($before, self::slowness()));
        }
        Assert::assertLessThan($milliseconds, $best, $what . ' (milliseconds, as on a machine that does nothing else)');
    }

    /** How many times slower this machine is just now than one with nothing else to do; 1 at least. */
    public static function slowness(): float
    {
        $start = hrtime(true);
        for ($i = 0, $sum = 0; $i < self::TURNS; ++$i) {
            $sum += $i;
        }

        return max(1.0, (hrtime(true) - $start) / 1e6 / self::USUAL);
    }
}
