<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Guessing;

use Brick\Math\BigInteger;
use Zetema\Core\Marking\Scoring\FoundScores;

/** Ways counted by a mark (a size or a set of bits) and the sums reached. */
final class CountedWays
{
    /** @var array<string, array{int, FoundScores, BigInteger}> */
    private array $states = [];

    public function __construct(private readonly Budget $budget)
    {
    }

    /** @throws TooManyToCount when the budget is used up */
    public function add(int $mark, FoundScores $sums, BigInteger $ways): void
    {
        $this->budget->use();
        $key = $mark . ' ' . $sums->key;
        $this->states[$key] = [$mark, $sums, isset($this->states[$key]) ? $this->states[$key][2]->plus($ways) : $ways];
    }

    /** @return list<array{int, FoundScores, BigInteger}> */
    public function all(): array
    {
        return array_values($this->states);
    }

    /**
     * @param callable(int): bool $counts which marks do
     * @param int|null $blank the mark of the blank response
     *
     * @return list<array{FoundScores, BigInteger, bool}>
     */
    public function result(callable $counts, ?int $blank = null): array
    {
        $rows = [];
        foreach ($this->states as [$mark, $sums, $ways]) {
            if ($counts($mark)) {
                $rows[] = [$sums, $ways, $mark === $blank];
            }
        }

        return $rows;
    }
}
