<?php

declare(strict_types=1);

namespace Zetema\Core\Marking;

use Brick\Math\BigInteger;
use Zetema\Core\Question\Measure;
use Zetema\Core\Question\Response;
use Zetema\Core\Question\ResponseSpace;

/** Counts how many responses of a large space have the same sums, without listing them. */
final readonly class SumsCounter
{
    private const MOST_MASKS = 12;

    public function __construct(private Measure $measure, private Finder $finder)
    {
    }

    /**
     * @return list<array{Sums, BigInteger, bool}> sums, in how many ways (up to a common factor), whether that is the blank response
     *
     * @throws TooMany
     */
    public function count(ResponseSpace $space): array
    {
        return match ($space->sort) {
            ResponseSpace::SUBSETS => $this->subsets($space),
            ResponseSpace::INDEPENDENT => $this->independent($space),
            ResponseSpace::INJECTIONS => $this->injections($space),
            ResponseSpace::ARRANGEMENTS => $this->arrangements($space),
            default => (new ClickCounter($this->measure))->count($space),
        };
    }

    private function sums(Response $response): Sums
    {
        return Sums::of($this->finder->found($this->measure, $response));
    }

    /** @return list<array{Sums, BigInteger, bool}> choice by choice: taken or left */
    private function subsets(ResponseSpace $space): array
    {
        $states = new States();
        $states->add(0, Sums::none(), BigInteger::one());
        foreach ($space->items as $choice) {
            // What a choice adds when taken or left: found beside nothing else.
            [$taken, $left] = [[], []];
            foreach ($this->measure->atoms as $atom) {
                if (($atom->find['chosen'] ?? null) === $choice) {
                    $taken[] = $atom;
                } elseif (($atom->find['left'] ?? null) === $choice) {
                    $left[] = $atom;
                }
            }
            $next = new States();
            foreach ($states->all() as [$size, $sums, $ways]) {
                $next->add($size, $sums->plus(Sums::of($left)), $ways);
                $next->add($size + 1, $sums->plus(Sums::of($taken)), $ways);
            }
            $states = $next;
        }

        return $states->result(static fn (int $size): bool => $size >= $space->least && $size <= $space->most);
    }

    /** @return list<array{Sums, BigInteger, bool}> part by part; parts with the same text together */
    private function independent(ResponseSpace $space): array
    {
        $together = [...$space->same, ...array_map(static fn (int $part): array => [$part], array_values(array_diff(array_keys($space->values), ...$space->same)))];
        $states = new States();
        $states->add(0, Sums::none(), BigInteger::one());
        foreach ($together as $parts) {
            $values = array_intersect_key($space->values, array_flip($parts));
            $here = ResponseSpace::independent($space->field, $values);
            if ($here->count() > 50_000) {
                throw new TooMany('too many items have the same text to compute this exactly');
            }
            $adds = new States();
            foreach ($here->all() as $response) {
                $adds->add($response->isBlank() ? 0 : 1, $this->sums($response), BigInteger::one());
            }
            $next = new States();
            foreach ($states->all() as [$filled, $sums, $ways]) {
                foreach ($adds->all() as [$more, $added, $times]) {
                    $next->add(min(1, $filled + $more), $sums->plus($added), $ways->multipliedBy($times));
                }
            }
            $states = $next;
        }

        return $states->result(static fn (): bool => true, blank: 0);
    }

    /** @return list<array{Sums, BigInteger, bool}> part by part, remembering which values are used */
    private function injections(ResponseSpace $space): array
    {
        $values = $space->values[array_key_first($space->values)] ?? [];
        if (count($values) > self::MOST_MASKS || count($space->values) > 2 * self::MOST_MASKS) {
            throw new TooMany(sprintf('with more than %d targets this cannot be computed exactly in good time', self::MOST_MASKS));
        }
        $needed = min(count($values), count($space->values));
        $mayLeave = count($space->values) > $needed;
        $states = new States();
        $states->add(0, Sums::none(), BigInteger::one());
        foreach (array_keys($space->values) as $part) {
            $adds = array_map(fn (string $value): Sums => $this->sums(Response::mapping($space->field, [$part => $value])), $values);
            $next = new States();
            foreach ($states->all() as [$mask, $sums, $ways]) {
                if ($mayLeave) {
                    $next->add($mask, $sums, $ways);
                }
                foreach ($adds as $i => $added) {
                    if (($mask >> $i & 1) === 0) {
                        $next->add($mask | 1 << $i, $sums->plus($added), $ways);
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
     * @return list<array{Sums, BigInteger, bool}>
     */
    private function arrangements(ResponseSpace $space): array
    {
        $n = count($space->items);
        $blocks = [];
        foreach ($this->measure->atoms as $atom) {
            $items = is_array($atom->find['items'] ?? null) ? array_filter($atom->find['items'], is_int(...)) : [];
            $block = 'items ' . implode(',', $items);
            $blocks[$block] = ($blocks[$block] ?? 0) + 1;
        }
        if (!isset($this->measure->atoms[0]->find['place'])) {
            if (array_sum($blocks) !== count($blocks) || array_filter(array_keys($blocks), static fn (string $b): bool => str_contains($b, ',')) !== []) {
                throw new TooMany('with items of the same text neighbours cannot be counted exactly in good time');
            }

            return array_map(fn (int $k): array => [$this->rightParts($k), Combinatorics::choose($n - 1, $k)->multipliedBy(Combinatorics::derangements($n - $k)->plus(Combinatorics::derangements($n - $k - 1))), false], range(0, $n - 1));
        }
        $rooks = [BigInteger::one()];
        foreach ($blocks as $size) {
            $block = array_map(static fn (int $k): BigInteger => Combinatorics::choose($size, $k)->power(2)->multipliedBy(Combinatorics::factorial($k)), range(0, $size));
            $rooks = Combinatorics::product($rooks, $block);
        }

        return array_map(fn (int $j): array => [$this->rightParts($j), Combinatorics::exactly($j, $n, $rooks), false], range(0, $n));
    }

    private function rightParts(int $n): Sums
    {
        return Sums::of(array_slice($this->measure->atoms, 0, $n));
    }
}
