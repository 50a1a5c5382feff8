<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

use Zetema\Core\Data\Fields;

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
            throw new InvalidSetting('an area is `ellipse 420 310 60 40` (centre, radii), `rectangle 10 10 100 80` (left, top, width, height) or `polygon 10,200 90,210 60,280`');
        }
        $numbers = array_map(intval(...), explode(' ', trim(preg_replace('/[ ,]+/', ' ', $m[2]) ?? '')));
        $fits = $m[1] === 'polygon' ? count($numbers) >= 6 && count($numbers) <= 400 && count($numbers) % 2 === 0 : count($numbers) === 4 && $numbers[2] > 0 && $numbers[3] > 0;
        if (!$fits) {
            throw new InvalidSetting($m[1] === 'polygon' ? 'a polygon has three or more corners, x and y of each' : 'four numbers are wanted, the last two above 0');
        }

        return new self($m[1], $numbers);
    }

    /** @param array<array-key, mixed> $numbers */
    public static function fromPlan(string $shape, array $numbers): self
    {
        return new self($shape, array_values(array_filter($numbers, is_int(...))));
    }

    public function inWords(): string
    {
        $numbers = $this->numbers;
        if ($this->shape === 'polygon') {
            return 'polygon ' . implode(' ', array_map(static fn (array $corner): string => implode(',', $corner), array_chunk($numbers, 2)));
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
     * The pixels of one row that belong to it, as runs from first to last; exact, and much faster than asking pixel by pixel.
     *
     * @return list<array{int, int}> rising
     */
    public function runs(int $y): array
    {
        [, $top, , $bottom] = $this->box();
        if ($y < $top || $y > $bottom) {
            return [];
        }
        $n = $this->numbers;
        if ($this->shape === 'rectangle') {
            return [[$n[0], $n[0] + $n[2]]];
        }
        if ($this->shape === 'ellipse') {
            $half = (int) (sqrt(max(0, 1 - (($y - $n[1]) / $n[3]) ** 2)) * $n[2]);
            while ($this->contains($n[0] + $half + 1, $y)) {
                ++$half;
            }
            while (!$this->contains($n[0] + $half, $y)) {
                --$half;
            }

            return [[$n[0] - $half, $n[0] + $half]];
        }

        return $this->polygonRuns($y);
    }

    /** @return list<array{int, int}> */
    private function polygonRuns(int $y): array
    {
        $corners = array_chunk($this->numbers, 2);
        $breaks = [];
        foreach ($corners as $i => $corner) {
            [$ax, $ay] = [$corner[0], $corner[1] ?? 0];
            $next = $corners[($i + 1) % count($corners)];
            [$bx, $by] = [$next[0], $next[1] ?? 0];
            if ($ay === $by && $ay === $y) {
                $breaks += [$ax => true, $bx => true];
            } elseif ($ay !== $by && min($ay, $by) <= $y && $y <= max($ay, $by)) {
                $x = (int) floor($ax + ($y - $ay) * ($bx - $ax) / ($by - $ay));
                $breaks += [$x - 1 => true, $x => true, $x + 1 => true, $x + 2 => true];
            }
        }
        $at = array_keys($breaks);
        sort($at);
        $runs = [];
        // Inside or outside changes only at these pixels: they are asked one by one, what lies between them once.
        foreach ($at as $i => $x) {
            foreach ([[$x, $x], [$x + 1, ($at[$i + 1] ?? $x + 1) - 1]] as [$from, $to]) {
                if ($from > $to || !$this->contains($from, $y)) {
                    continue;
                }
                $last = count($runs) - 1;
                if ($last >= 0 && $runs[$last][1] === $from - 1) {
                    $runs[$last][1] = $to;
                } else {
                    $runs[] = [$from, $to];
                }
            }
        }

        return $runs;
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
            if (($ay > $y) !== ($by > $y) && ($by > $ay ? $cross > 0 : $cross < 0)) {
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
