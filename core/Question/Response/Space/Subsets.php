<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response\Space;

use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseSpace;

/** Choices, from least to most of them. */
final readonly class Subsets implements ResponseSpace
{
    private const MOST_COUNTED = 40;

    /** @param list<int> $choices */
    public function __construct(public array $choices, public int $least, public int $most)
    {
    }

    public function count(bool $partial = false): int
    {
        $n = count($this->choices);
        $sizes = $this->least > min($n, $this->most) ? [] : range($this->least, min($n, $this->most));

        return $n > self::MOST_COUNTED ? PHP_INT_MAX : Ways::sum(...array_map(static fn (int $k): int => Ways::choose($n, $k), $sizes));
    }

    public function all(bool $partial = false): \Generator
    {
        yield from $this->from(0, []);
    }

    /**
     * @param list<int> $chosen
     *
     * @return \Generator<int, Response>
     */
    private function from(int $first, array $chosen): \Generator
    {
        if (count($chosen) >= $this->least && $chosen !== []) {
            yield Response::choosing($chosen);
        }
        if (count($chosen) < $this->most) {
            for ($i = $first; $i < count($this->choices); ++$i) {
                yield from $this->from($i + 1, [...$chosen, $this->choices[$i]]);
            }
        }
    }
}
