<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Guessing;

use Zetema\Core\Marking\Guessing\Envelope;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;

/**
 * What a step asks of one who guesses: so many of questions that count in the same sums.
 *
 * @phpstan-type Distribution list<array{points: Points, chance: Ratio}>
 */
final readonly class GuessedStep
{
    /**
     * @param int<1, max> $take
     * @param non-empty-list<Distribution> $pool how each question of it is guessed
     * @param non-empty-list<Points> $worths what each counts, rising
     * @param list<int> $sums which sums they count in
     */
    public function __construct(public int $take, public array $pool, public array $worths, public array $sums)
    {
    }

    /** Whether all are guessed alike and count the same, so that it does not matter which are taken. */
    public function isAlike(): bool
    {
        $told = array_map(
            static fn (array $rows): string => implode(
                ' ',
                array_map(static fn (array $row): string => $row['points'] . ':' . $row['chance'], $rows),
            ),
            $this->pool,
        );

        return count(array_unique($told)) === 1 && $this->worths[0]->compare($this->worths[count($this->worths) - 1]) === 0;
    }

    /**
     * @return list<array{Distribution, Points}> how each that is taken is guessed and what it counts, at worst or at best for who guesses
     */
    public function asked(bool $best): array
    {
        $rows = $this->isAlike() ? $this->pool[0] : Envelope::of($this->pool, $best);
        $worths = $best ? $this->worths : array_reverse($this->worths);

        return array_map(static fn (int $i): array => [$rows, $worths[$i]], range(0, $this->take - 1));
    }
}
