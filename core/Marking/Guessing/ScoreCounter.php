<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Guessing;

use Brick\Math\BigInteger;
use Zetema\Core\Marking\Scoring\Finder;
use Zetema\Core\Marking\Scoring\FoundScores;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseSpace;
use Zetema\Core\Question\Response\Space\Arrangements;
use Zetema\Core\Question\Response\Space\Clicks;
use Zetema\Core\Question\Response\Space\IndependentParts;
use Zetema\Core\Question\Response\Space\Injections;
use Zetema\Core\Question\Response\Space\Subsets;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Scoring\Sought\AtPlace;
use Zetema\Core\Question\Scoring\Sought\Following;
use Zetema\Core\Question\Scoring\Sought\IsChosen;
use Zetema\Core\Question\Scoring\Sought\IsLeft;

/** Counts how many responses of a large space have the same sums, without listing them. */
final class ScoreCounter
{
    private const MOST_MASKS = 12;
    private const STEPS_OF_A_NEW_SUM = 8;
    /** Steps that take about a second. */
    private const MOST_STEPS = 250_000;

    private readonly Budget $budget;
    /** @var array<string, FoundScores> additions made before: few different ones are made over and over */
    private array $added = [];

    public function __construct(private readonly Scoring $scoring, private readonly Finder $finder)
    {
        $this->budget = new Budget(self::MOST_STEPS);
    }

    /**
     * @return list<array{FoundScores, BigInteger, bool}> sums, in how many ways (up to a common factor), whether that is the blank response
     *
     * @throws TooManyToCount
     */
    public function count(ResponseSpace $space): array
    {
        return match (true) {
            $space instanceof Subsets => $this->subsets($space),
            $space instanceof IndependentParts => $this->independent($space),
            $space instanceof Injections => $this->injections($space),
            $space instanceof Arrangements => $this->arrangements($space),
            $space instanceof Clicks => (new ClickCounter($this->scoring))->count($space),
            default => throw new TooManyToCount('what is typed cannot be counted'),
        };
    }

    private function plus(FoundScores $a, FoundScores $b): FoundScores
    {
        $key = $a->key . '+' . $b->key;
        if (!isset($this->added[$key])) {
            $this->budget->use(self::STEPS_OF_A_NEW_SUM);
            $this->added[$key] = $a->plus($b);
        }

        return $this->added[$key];
    }

    private function sums(Response $response): FoundScores
    {
        return FoundScores::of($this->finder->found($this->scoring, $response));
    }

    /**
     * @return list<array{FoundScores, BigInteger, bool}> choice by choice: taken or left; sizes are told apart only as far as the limits
     *   ask
     */
    private function subsets(Subsets $space): array
    {
        $largest = $space->most >= count($space->choices) ? $space->least : $space->most + 1;
        $states = new CountedWays($this->budget);
        $states->add(0, FoundScores::none(), BigInteger::one());
        foreach ($space->choices as $choice) {
            // What a choice adds when taken or left: found beside nothing else.
            [$taken, $left] = [[], []];
            foreach ($this->scoring->criteria as $criterion) {
                if ($criterion->find instanceof IsChosen && $criterion->find->choice === $choice) {
                    $taken[] = $criterion;
                } elseif ($criterion->find instanceof IsLeft && $criterion->find->choice === $choice) {
                    $left[] = $criterion;
                }
            }
            [$taking, $leaving] = [FoundScores::of($taken), FoundScores::of($left)];
            $next = new CountedWays($this->budget);
            foreach ($states->all() as [$size, $sums, $ways]) {
                $next->add($size, $this->plus($sums, $leaving), $ways);
                if ($size < $space->most || $largest === $space->least) {
                    $next->add(min($largest, $size + 1), $this->plus($sums, $taking), $ways);
                }
            }
            $states = $next;
        }

        return $states->result(static fn (int $size): bool => $size >= $space->least && $size <= $space->most);
    }

    /** @return list<array{FoundScores, BigInteger, bool}> part by part; parts with the same text together */
    private function independent(IndependentParts $space): array
    {
        $together = [
            ...$space->same,
            ...array_map(static fn (int $part): array => [$part], array_values(array_diff(array_keys($space->values), ...$space->same))),
        ];
        $states = new CountedWays($this->budget);
        $states->add(0, FoundScores::none(), BigInteger::one());
        foreach ($together as $parts) {
            $values = array_intersect_key($space->values, array_flip($parts));
            $here = new IndependentParts($space->field, $values);
            if ($here->count() > 20_000) {
                throw new TooManyToCount('too many items have the same text to compute this exactly');
            }
            $adds = new CountedWays($this->budget);
            foreach ($here->all() as $response) {
                $adds->add($response->isBlank() ? 0 : 1, $this->sums($response), BigInteger::one());
            }
            $next = new CountedWays($this->budget);
            foreach ($states->all() as [$filled, $sums, $ways]) {
                foreach ($adds->all() as [$more, $added, $times]) {
                    $next->add(min(1, $filled + $more), $this->plus($sums, $added), $ways->multipliedBy($times));
                }
            }
            $states = $next;
        }

        return $states->result(static fn (): bool => true, blank: 0);
    }

    /** @return list<array{FoundScores, BigInteger, bool}> part by part, remembering which values are used */
    private function injections(Injections $space): array
    {
        $values = $space->targets();
        if (count($values) > self::MOST_MASKS || count($space->values) > 2 * self::MOST_MASKS) {
            throw new TooManyToCount(sprintf('with more than %d targets this cannot be computed exactly in good time', self::MOST_MASKS));
        }
        $needed = $space->needed();
        $mayLeave = count($space->values) > $needed;
        $states = new CountedWays($this->budget);
        $states->add(0, FoundScores::none(), BigInteger::one());
        foreach (array_keys($space->values) as $part) {
            $adds = array_map(fn (string $value): FoundScores => $this->sums(Response::mapping($space->field, [$part => $value])), $values);
            $next = new CountedWays($this->budget);
            foreach ($states->all() as [$mask, $sums, $ways]) {
                if ($mayLeave) {
                    $next->add($mask, $sums, $ways);
                }
                foreach ($adds as $i => $added) {
                    if ((($mask >> $i) & 1) === 0) {
                        $next->add($mask | (1 << $i), $this->plus($sums, $added), $ways);
                    }
                }
            }
            $states = $next;
        }

        return $states->result(static fn (int $mask): bool => substr_count(decbin($mask), '1') === $needed);
    }

    /**
     * By place: rook numbers of the blocks of same items; by neighbour: permutations of n with k right successions,
     * C(n−1, k) (D(n−k) + D(n−k−1)) where D counts derangements. Sources: Riordan, Introduction to Combinatorial Analysis, ch. 7 and 8.
     *
     * @return list<array{FoundScores, BigInteger, bool}>
     */
    private function arrangements(Arrangements $space): array
    {
        $n = count($space->items);
        $blocks = [];
        foreach ($this->scoring->criteria as $criterion) {
            $items = $criterion->find instanceof AtPlace || $criterion->find instanceof Following ? $criterion->find->items : [];
            $block = 'items ' . implode(',', $items);
            $blocks[$block] = ($blocks[$block] ?? 0) + 1;
        }
        if (!$this->scoring->criteria[0]->find instanceof AtPlace) {
            if (
                array_sum($blocks) !== count($blocks) ||
                array_filter(array_keys($blocks), static fn (string $b): bool => str_contains($b, ',')) !== []
            ) {
                throw new TooManyToCount('with items of the same text neighbours cannot be counted exactly in good time');
            }

            return array_map(
                fn (int $k): array => [
                    $this->rightParts($k),
                    Combinatorics::choose($n - 1, $k)->multipliedBy(
                        Combinatorics::derangements($n - $k)->plus(Combinatorics::derangements($n - $k - 1)),
                    ),
                    false,
                ],
                range(0, $n - 1),
            );
        }
        $rooks = [BigInteger::one()];
        foreach ($blocks as $size) {
            $block = array_map(
                static fn (int $k): BigInteger => Combinatorics::choose($size, $k)->power(2)->multipliedBy(Combinatorics::factorial($k)),
                range(0, $size),
            );
            $rooks = Combinatorics::product($rooks, $block);
        }

        return array_map(fn (int $j): array => [$this->rightParts($j), Combinatorics::exactly($j, $n, $rooks), false], range(0, $n));
    }

    private function rightParts(int $n): FoundScores
    {
        return FoundScores::of(array_slice($this->scoring->criteria, 0, $n));
    }
}
