<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Answers;

use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Settings\InvalidSetting;

/** A part of an image: an ellipse, a rectangle or a polygon, in whole pixels, borders included. */
final readonly class Area
{
    /** @param list<int> $numbers ellipse: centre x, y, radius x, y; rectangle: left, top, width, height; polygon: x, y of each corner */
    private function __construct(public string $shape, public array $numbers)
    {
    }

    /** @throws InvalidSetting if the words are no area */
    public static function of(string $words): self
    {
        if (preg_match('/^(ellipse|rectangle|polygon)((?:[ ,]+\d{1,5})+)$/', mb_strtolower(trim($words)), $m) !== 1) {
            throw new InvalidSetting(
                'an area is `ellipse 420 310 60 40` (centre, radii), `rectangle 10 10 100 80` (left, top, width, height) or `polygon 10,200 90,210 60,280`',
            );
        }
        $numbers = array_map(intval(...), explode(' ', trim(preg_replace('/[ ,]+/', ' ', $m[2]) ?? '')));
        $fits =
            $m[1] === 'polygon'
                ? count($numbers) >= 6 && count($numbers) <= 400 && count($numbers) % 2 === 0
                : count($numbers) === 4 && $numbers[2] > 0 && $numbers[3] > 0;
        if (!$fits) {
            throw new InvalidSetting(
                $m[1] === 'polygon'
                    ? 'a polygon has three or more corners, x and y of each'
                    : 'four numbers are wanted, the last two above 0',
            );
        }

        return new self($m[1], $numbers);
    }

    /** @param list<int> $numbers */
    public static function fromPlan(string $shape, array $numbers): self
    {
        return new self($shape, $numbers);
    }

    /**
     * A pixel that lies in it: its middle, or where that is outside, a corner.
     *
     * @return array{int, int}
     */
    public function somePoint(): array
    {
        [$left, $top, $right, $bottom] = $this->box();
        $middle = [intdiv($left + $right, 2), intdiv($top + $bottom, 2)];

        return $this->contains(...$middle) ? $middle : [$this->numbers[0], $this->numbers[1]];
    }

    public function inWords(): string
    {
        $numbers = $this->numbers;
        if ($this->shape === 'polygon') {
            return 'polygon ' .
                implode(' ', array_map(static fn (array $corner): string => implode(',', $corner), array_chunk($numbers, 2)));
        }

        return $this->shape . ' ' . implode(' ', $numbers);
    }

    public function contains(int $x, int $y): bool
    {
        $n = $this->numbers;

        return match ($this->shape) {
            'ellipse' => ($x - $n[0]) ** 2 * $n[3] ** 2 + ($y - $n[1]) ** 2 * $n[2] ** 2 <= $n[2] ** 2 * $n[3] ** 2,
            'rectangle' => $x >= $n[0] && $x <= $n[0] + $n[2] && $y >= $n[1] && $y <= $n[1] + $n[3],
            default => $this->polygonContains($x, $y),
        };
    }

    /** @return array{int, int, int, int} left, top, right, bottom, all included */
    public function box(): array
    {
        $n = $this->numbers;
        if ($this->shape === 'ellipse') {
            return [$n[0] - $n[2], $n[1] - $n[3], $n[0] + $n[2], $n[1] + $n[3]];
        }
        if ($this->shape === 'rectangle') {
            return [$n[0], $n[1], $n[0] + $n[2], $n[1] + $n[3]];
        }
        $corners = array_chunk($n, 2);
        $xs = [...array_column($corners, 0), $n[0]];
        $ys = [...array_column($corners, 1), $n[1]];

        return [min($xs), min($ys), max($xs), max($ys)];
    }

    /**
     * The pixels that belong to it, row by row, each as runs from first to last; exact, and much faster than asking pixel by pixel.
     *
     * @return \Generator<int, list<array{int, int}>> by row, from the first wanted that it reaches to the last; runs rising
     */
    public function rows(int $first, int $last): \Generator
    {
        [$left, $top, $right, $bottom] = $this->box();
        [$first, $last] = [max($first, $top), min($last, $bottom)];
        if ($this->shape === 'polygon') {
            yield from $this->polygonRows($first, $last);

            return;
        }
        for ($y = $first; $y <= $last; ++$y) {
            $half = $this->shape === 'rectangle' ? null : $this->halfWidth($y);
            yield $y => [$half === null ? [$left, $right] : [$this->numbers[0] - $half, $this->numbers[0] + $half]];
        }
    }

    /** How much work its rows are: the rows themselves, and of a polygon how many of its edges each of them meets. */
    public function work(int $first, int $last): int
    {
        $within = static fn (int $top, int $bottom): int => max(0, min($bottom, $last) - max($top, $first) + 1);
        [, $top, , $bottom] = $this->box();
        $work = $within($top, $bottom);
        foreach ($this->shape === 'polygon' ? $this->edges() : [] as [, $above, , $below]) {
            $work += $within($above, $below);
        }

        return $work;
    }

    /** How far an ellipse reaches to both sides in a row that it reaches. */
    private function halfWidth(int $y): int
    {
        [$x, $centre, $wide, $high] = [$this->numbers[0], $this->numbers[1], $this->numbers[2], $this->numbers[3]];
        $half = (int) (sqrt(max(0, 1 - (($y - $centre) / $high) ** 2)) * $wide);
        while ($this->contains($x + $half + 1, $y)) {
            ++$half;
        }
        while (!$this->contains($x + $half, $y)) {
            --$half;
        }

        return $half;
    }

    /** @return \Generator<int, list<array{int, int}>> */
    private function polygonRows(int $first, int $last): \Generator
    {
        $edges = $this->edges();
        usort($edges, static fn (array $a, array $b): int => $a[1] <=> $b[1]);
        $next = 0;
        $here = [];
        for ($y = $first; $y <= $last; ++$y) {
            for (; isset($edges[$next]) && $edges[$next][1] <= $y; ++$next) {
                $here[] = $edges[$next];
            }
            $here = array_values(array_filter($here, static fn (array $edge): bool => $edge[3] >= $y));
            yield $y => self::merged(self::runsBetween($here, $y));
        }
    }

    /** @return list<array{int, int, int, int}> the upper end's x, y, then the lower end's */
    private function edges(): array
    {
        $corners = array_chunk($this->numbers, 2);
        $edges = [];
        foreach ($corners as $i => $corner) {
            [$a, $b] = [$corner, $corners[($i + 1) % count($corners)]];
            [$ax, $ay, $bx, $by] = [$a[0], $a[1] ?? 0, $b[0], $b[1] ?? 0];
            $edges[] = $ay <= $by ? [$ax, $ay, $bx, $by] : [$bx, $by, $ax, $ay];
        }

        return $edges;
    }

    /**
     * Even-odd rule in one row: between every second crossing and the next; and every pixel that an edge goes through exactly.
     *
     * @param list<array{int, int, int, int}> $edges that reach this row
     *
     * @return list<array{int, int}>
     */
    private static function runsBetween(array $edges, int $y): array
    {
        $runs = [];
        $crossings = [];
        foreach ($edges as [$ax, $ay, $bx, $by]) {
            if ($ay === $by) {
                $runs[] = [min($ax, $bx), max($ax, $bx)];
                continue;
            }
            // Where the edge crosses the row: a fraction with a positive denominator.
            [$above, $below] = [$ax * ($by - $ay) + ($y - $ay) * ($bx - $ax), $by - $ay];
            if ($above % $below === 0) {
                $runs[] = [intdiv($above, $below), intdiv($above, $below)];
            }
            if ($by > $y) {
                // the lower end belongs to the next edge
                $crossings[] = [$above, $below];
            }
        }
        usort($crossings, static fn (array $a, array $b): int => $a[0] * $b[1] <=> $b[0] * $a[1]);
        for ($i = 0; isset($crossings[$i + 1]); $i += 2) {
            $from = -self::floor(-$crossings[$i][0], $crossings[$i][1]);
            $to = self::floor($crossings[$i + 1][0], $crossings[$i + 1][1]);
            if ($from <= $to) {
                $runs[] = [$from, $to];
            }
        }

        return $runs;
    }

    /**
     * @param list<array{int, int}> $runs
     *
     * @return list<array{int, int}> rising, none touching the next
     */
    private static function merged(array $runs): array
    {
        sort($runs);
        $merged = [];
        $last = -1;
        foreach ($runs as [$from, $to]) {
            if ($last >= 0 && $from <= $merged[$last][1] + 1) {
                $merged[$last] = [$merged[$last][0], max($merged[$last][1], $to)];
            } else {
                $merged[++$last] = [$from, $to];
            }
        }

        return array_values($merged);
    }

    private static function floor(int $above, int $below): int
    {
        return intdiv($above, $below) - ($above % $below < 0 ? 1 : 0);
    }

    /** Even-odd rule with exact whole numbers; the border belongs to it. */
    private function polygonContains(int $x, int $y): bool
    {
        $corners = array_chunk($this->numbers, 2);
        $inside = false;
        foreach ($corners as $i => $corner) {
            [$ax, $ay] = [$corner[0], $corner[1] ?? 0];
            $next = $corners[($i + 1) % count($corners)];
            [$bx, $by] = [$next[0], $next[1] ?? 0];
            $cross = ($bx - $ax) * ($y - $ay) - ($by - $ay) * ($x - $ax);
            if ($cross === 0 && min($ax, $bx) <= $x && $x <= max($ax, $bx) && min($ay, $by) <= $y && $y <= max($ay, $by)) {
                return true;
            }
            if ($ay > $y !== $by > $y && ($by > $ay ? $cross > 0 : $cross < 0)) {
                $inside = !$inside;
            }
        }

        return $inside;
    }

    public static function fromData(Fields $data): self
    {
        return self::of($data->text('area'));
    }
}
