<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Server;

/** The processor time that some processes and all that they started have used, as the system counts it, in hundredths of a second. */
final readonly class ProcessorTime
{
    /** Linux tells times in /proc in this unit whatever its own clock does. */
    private const TICKS_A_SECOND = 100;

    /** @param list<int> $processes */
    public function __construct(private array $processes)
    {
    }

    /** @return float milliseconds up to now, in user and system mode */
    public function milliseconds(): float
    {
        $parents = $ticks = [];
        foreach ((array) glob('/proc/[0-9]*/stat') as $file) {
            // The name of the program, in brackets, may hold spaces; what is counted from stands after it.
            $stat = (string) @file_get_contents((string) $file);
            $fields = explode(' ', substr($stat, (int) strrpos($stat, ')') + 2));
            $process = (int) $stat;
            $parents[$process] = (int) ($fields[1] ?? 0);
            $ticks[$process] = (int) ($fields[11] ?? 0) + (int) ($fields[12] ?? 0);
        }
        $sum = 0;
        foreach ($ticks as $process => $used) {
            $of = $process;
            while ($of > 1 && !in_array($of, $this->processes, true)) {
                $of = $parents[$of] ?? 0;
            }
            $sum += $of > 1 ? $used : 0;
        }

        return (1000 * $sum) / self::TICKS_A_SECOND;
    }
}
