<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Server;

/** How long something took, many times over, in milliseconds. */
final class Times
{
    /** @var list<float> */
    private array $times = [];

    /**
     * @template T
     *
     * @param callable(): T $work
     *
     * @return T
     */
    public function take(callable $work): mixed
    {
        $start = hrtime(true);
        $made = $work();
        $this->times[] = (hrtime(true) - $start) / 1e6;

        return $made;
    }

    public function add(float $milliseconds): void
    {
        $this->times[] = $milliseconds;
    }

    public function median(): float
    {
        return $this->at(0.5);
    }

    public function p95(): float
    {
        return $this->at(0.95);
    }

    public function longest(): float
    {
        return $this->at(1.0);
    }

    public function count(): int
    {
        return count($this->times);
    }

    private function at(float $share): float
    {
        $sorted = $this->times;
        sort($sorted);

        return $sorted === []
            ? throw new \LogicException('nothing was measured')
            : $sorted[(int) min(count($sorted) - 1, floor($share * count($sorted)))];
    }
}
