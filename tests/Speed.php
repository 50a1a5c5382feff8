<?php

declare(strict_types=1);

namespace Zetema\Tests;

use PHPUnit\Framework\Assert;

/**
 * Bounds of time that hold on a machine that does other things besides: it is the time of the processor that counts, of this
 * process and of those it waited for, and not the clock's. They are stretched by what a fixed loop takes on this processor in the
 * same moments, and never shortened.
 */
final class Speed
{
    private const TURNS = 1_000_000;
    /** What the loop takes where nothing else runs, in ms, rounded up. */
    private const USUAL = 10.0;

    /**
     * @template T
     *
     * @param callable(): T $work done up to three times
     *
     * @return T what it gave last
     */
    public static function within(float $milliseconds, callable $work, string $what = ''): mixed
    {
        $run = 0;
        $best = INF;
        do {
            $before = self::slowness();
            $start = self::processor();
            $result = $work();
            $took = self::processor() - $start;
            $best = min($best, $took / max($before, self::slowness()));
        } while (++$run < 3 && $best >= $milliseconds);
        Assert::assertLessThan($milliseconds, $best, $what . ' (milliseconds of the processor)');

        return $result;
    }

    /** How many times slower this processor is just now than one with nothing else to do; 1 at least. */
    public static function slowness(): float
    {
        $start = self::processor();
        for ($i = 0, $sum = 0; $i < self::TURNS; ++$i) {
            $sum += $i;
        }

        return max(1.0, (self::processor() - $start) / self::USUAL);
    }

    /** Milliseconds that this process and those it waited for have used. */
    private static function processor(): float
    {
        $used = 0.0;
        foreach ([0, 1] as $whose) {
            $of = getrusage($whose);
            foreach (['ru_utime', 'ru_stime'] as $part) {
                [$seconds, $micros] = is_array($of) ? [$of["$part.tv_sec"], $of["$part.tv_usec"]] : [0, 0];
                $used += is_int($seconds) && is_int($micros) ? 1e3 * $seconds + $micros / 1e3 : 0;
            }
        }

        return $used;
    }
}
