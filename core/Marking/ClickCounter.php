<?php

declare(strict_types=1);

namespace Zetema\Core\Marking;

use Brick\Math\BigInteger;
use Zetema\Core\Question\Area;
use Zetema\Core\Question\Atom;
use Zetema\Core\Question\Measure;
use Zetema\Core\Question\ResponseSpace;

/** Counts in how many ways clicks into a picture hit its areas: each click uniform over whole pixels, apart from the others. */
final readonly class ClickCounter
{
    /** Steps of one click beyond which it would take too long. */
    private const MOST_STEPS = 400_000;
    private const MOST_AREAS = 40;

    /** @var array<int, Area> by the place of their atom */
    private array $areas;
    private int $keys;

    public function __construct(private Measure $measure)
    {
        $areas = [];
        $keys = 0;
        foreach ($measure->atoms as $i => $atom) {
            $shape = $atom->find['shape'] ?? null;
            $numbers = $atom->find['numbers'] ?? null;
            if (is_string($shape) && is_array($numbers)) {
                $areas[$i] = Area::fromPlan($shape, $numbers);
                $keys |= ($atom->find['key'] ?? false) === true ? 1 << min($i, self::MOST_AREAS) : 0;
            }
        }
        $this->areas = $areas;
        $this->keys = $keys;
    }

    /**
     * @return list<array{Sums, BigInteger, bool}>
     *
     * @throws TooMany
     */
    public function count(ResponseSpace $space): array
    {
        if (count($this->areas) > self::MOST_AREAS) {
            throw self::tooMany();
        }
        $pixels = $this->pixels($space->width, $space->height);
        // A state: the areas hit so far as bits, and above them how many clicks went outside.
        $outside = 1 << self::MOST_AREAS;
        $states = [0 => BigInteger::one()];
        for ($click = 0; $click < $space->most; ++$click) {
            if (count($states) * count($pixels) > self::MOST_STEPS) {
                throw self::tooMany();
            }
            $next = [];
            foreach ($states as $state => $ways) {
                foreach ($pixels as $hit => $count) {
                    $to = $hit === 0 ? $state + $outside : $state | $hit;
                    $more = $ways->multipliedBy($count);
                    $next[$to] = isset($next[$to]) ? $next[$to]->plus($more) : $more;
                }
            }
            $states = $next;
        }
        $rows = [];
        foreach ($states as $state => $ways) {
            $rows[] = [Sums::of($this->found($state)), $ways, false];
        }

        return $rows;
    }

    /** @return list<Atom> */
    private function found(int $state): array
    {
        $atoms = [];
        foreach ($this->measure->atoms as $i => $atom) {
            if (isset($this->areas[$i])) {
                if (($state & (1 << $i)) !== 0) {
                    $atoms[] = $atom;
                }
            } elseif (isset($atom->find['outside'])) {
                array_push($atoms, ...array_fill(0, $state >> self::MOST_AREAS, $atom));
            }
        }

        return $atoms;
    }

    /**
     * How many pixels hit what: row by row, each cut where an area begins or ends.
     *
     * @return array<int, int> by the areas that count, as bits; 0: outside all areas
     */
    private function pixels(int $width, int $height): array
    {
        $counts = [];
        for ($y = 0; $y < $height; ++$y) {
            $runs = [];
            $cuts = [];
            foreach ($this->areas as $i => $area) {
                foreach ($area->runs($y) as [$from, $to]) {
                    [$from, $to] = [max(0, $from), min($width - 1, $to)];
                    if ($from <= $to) {
                        $runs[] = [$from, $to, 1 << $i];
                        $cuts += [$from => true, $to + 1 => true];
                    }
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

    private static function tooMany(): TooMany
    {
        return new TooMany('with so many areas and clicks this cannot be computed exactly in good time');
    }
}
