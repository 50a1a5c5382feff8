<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Guessing;

use Brick\Math\BigInteger;
use Zetema\Core\Marking\Scoring\FoundScores;
use Zetema\Core\Question\Answers\Area;
use Zetema\Core\Question\Response\Space\Clicks;
use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Scoring\Sought\InArea;
use Zetema\Core\Question\Scoring\Sought\OutsideAreas;

/** Counts in how many ways clicks into a picture hit its areas: each click uniform over whole pixels, apart from the others. */
final readonly class ClickCounter
{
    /** Steps of one click beyond which it would take too long. */
    private const MOST_STEPS = 30_000;
    private const MOST_AREAS = 40;

    /** @var array<int, Area> by the place of their criterion */
    private array $areas;
    private int $keys;

    public function __construct(private Scoring $scoring)
    {
        $areas = [];
        $keys = 0;
        foreach ($scoring->criteria as $i => $criterion) {
            if ($criterion->find instanceof InArea) {
                $areas[$i] = $criterion->find->area;
                $keys |= $criterion->find->isKey ? 1 << min($i, self::MOST_AREAS) : 0;
            }
        }
        $this->areas = $areas;
        $this->keys = $keys;
    }

    /**
     * @return list<array{FoundScores, BigInteger, bool}>
     *
     * @throws TooManyToCount
     */
    public function count(Clicks $space): array
    {
        if (count($this->areas) > self::MOST_AREAS) {
            throw self::tooMany();
        }
        // Estimated before working: the areas reached after each click, each in every order of hits and misses.
        $this->refuseIfTooMany($space->most, count($this->areas) + 1);
        $pixels = $this->pixels($space->width, $space->height);
        $this->refuseIfTooMany($space->most, count($pixels));
        // A state: the areas hit so far as bits, and above them how many clicks went outside.
        $miss = $this->countsMisses() ? 1 << self::MOST_AREAS : 0;
        $states = [0 => BigInteger::one()];
        for ($click = 0; $click < $space->most; ++$click) {
            $next = [];
            foreach ($states as $state => $ways) {
                foreach ($pixels as $hit => $count) {
                    $to = $hit === 0 ? $state + $miss : $state | $hit;
                    $more = $ways->multipliedBy($count);
                    $next[$to] = isset($next[$to]) ? $next[$to]->plus($more) : $more;
                }
            }
            $states = $next;
        }
        $rows = [];
        foreach ($states as $state => $ways) {
            $rows[] = [FoundScores::of($this->found($state)), $ways, false];
        }

        return $rows;
    }

    /** @throws TooManyToCount */
    private function refuseIfTooMany(int $clicks, int $hits): void
    {
        $misses = $this->countsMisses();
        $steps = 0;
        for ($click = 0; $click < $clicks && $steps <= self::MOST_STEPS; ++$click) {
            $sets = 1;
            for ($hit = 0; $hit <= min($click, $hits - 1); ++$hit) {
                $steps += $hits * $sets * ($misses ? $click - $hit + 1 : 1);
                $sets = intdiv($sets * ($hits - 1 - $hit), $hit + 1);
            }
        }
        if ($steps > self::MOST_STEPS) {
            throw self::tooMany();
        }
    }

    /** Under weights a click beside all areas changes nothing. */
    private function countsMisses(): bool
    {
        return array_filter(
            $this->scoring->criteria,
            static fn (Criterion $criterion): bool => $criterion->find instanceof OutsideAreas,
        ) !== [];
    }

    /** @return list<Criterion> */
    private function found(int $state): array
    {
        $criteria = [];
        foreach ($this->scoring->criteria as $i => $criterion) {
            if (isset($this->areas[$i])) {
                if (($state & (1 << $i)) !== 0) {
                    $criteria[] = $criterion;
                }
            } elseif ($criterion->find instanceof OutsideAreas) {
                array_push($criteria, ...array_fill(0, $state >> self::MOST_AREAS, $criterion));
            }
        }

        return $criteria;
    }

    /**
     * How many pixels hit what: row by row, each cut where an area begins or ends.
     *
     * @return array<int, int> by the areas that count, as bits; 0: outside all areas
     */
    private function pixels(int $width, int $height): array
    {
        $counts = [];
        $areas = array_map(static fn (Area $area): \Generator => $area->rows(0, $height - 1), $this->areas);
        for ($y = 0; $y < $height; ++$y) {
            $runs = [];
            $cuts = [];
            foreach ($areas as $i => $area) {
                foreach ($area->valid() && $area->key() === $y ? $area->current() : [] as [$from, $to]) {
                    [$from, $to] = [max(0, $from), min($width - 1, $to)];
                    if ($from <= $to) {
                        $runs[] = [$from, $to, 1 << $i];
                        $cuts += [$from => true, $to + 1 => true];
                    }
                }
                if ($area->valid() && $area->key() === $y) {
                    $area->next();
                }
            }
            $at = array_keys($cuts);
            sort($at);
            foreach (array_slice($at, 0, -1) as $n => $x) {
                $hit = 0;
                foreach ($runs as [$from, $to, $bit]) {
                    $hit |= $from <= $x && $x <= $to ? $bit : 0;
                }
                if ($hit !== 0) {
                    $hit = $this->counting($hit);
                    $counts[$hit] = ($counts[$hit] ?? 0) + $at[$n + 1] - $x;
                }
            }
        }
        $counts[0] = $width * $height - array_sum($counts);

        return $counts;
    }

    /** Every key area that a click lies in counts; among known wrong ones only the first written. */
    private function counting(int $hit): int
    {
        $keys = $hit & $this->keys;

        return $keys !== 0 ? $keys : $hit & -$hit;
    }

    private static function tooMany(): TooManyToCount
    {
        return new TooManyToCount('with so many areas and clicks this cannot be computed exactly in good time');
    }
}
