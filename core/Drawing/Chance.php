<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing;

use Random\Engine\Xoshiro256StarStar;
use Zetema\Core\Drawing\Stock\Urn;

/**
 * Randomness from a seed, the same everywhere: xoshiro256** seeded by SplitMix64 of the seed (as PHP does it), of each 64 bits
 * the upper 32, integers in a range by rejection, shuffles from the last place down. Test vectors: docs/formats/dealing.md.
 */
final class Chance
{
    private const RANGE = 4_294_967_296;

    private readonly Xoshiro256StarStar $engine;

    public function __construct(int $seed)
    {
        $this->engine = new Xoshiro256StarStar($seed);
    }

    /**
     * A whole number from 0 to one below the bound, each equally likely.
     *
     * @param int<1, max> $bound at most 4,294,967,296
     *
     * @return int<0, max>
     */
    public function below(int $bound): int
    {
        $limit = self::RANGE - (self::RANGE % $bound);
        do {
            $upper = unpack('V2', $this->engine->generate());
            $number = is_array($upper) && is_int($upper[2]) ? $upper[2] : throw new \LogicException('an engine gives 8 bytes');
        } while ($number >= $limit);

        return max(0, $number % $bound);
    }

    /**
     * @template T
     *
     * @param list<T> $items
     *
     * @return list<T>
     */
    public function shuffled(array $items): array
    {
        for ($i = count($items) - 1; $i > 0; --$i) {
            $j = $this->below($i + 1);
            [$items[$i], $items[$j]] = [$items[$j], $items[$i]];
        }

        return array_values($items);
    }

    /**
     * n of the items, every set equally likely, in random order.
     *
     * @template T
     *
     * @param list<T> $items
     *
     * @return list<T>
     */
    public function sample(array $items, int $n): array
    {
        $urn = new Urn(count($items));
        $picked = [];
        while ($urn->left > 0 && count($picked) < $n) {
            $picked[] = $items[$urn->take($this->below($urn->left))];
        }

        return $picked;
    }
}
