<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Marks;

use Zetema\Core\Exchange\Qti\Items\Kinds\NumberItem;
use Zetema\Core\Numbers\Ratio;

/** The number line, cut where a mark may change: every end, what lies between two, what lies beyond. */
final readonly class NumberRuns
{
    /** @var list<Ratio> one number of each piece, in order: beyond the first end, the first end, between, the second end … */
    public array $samples;

    /** @param list<array{Ratio, int}> $ends rising, with their places in the rules */
    public function __construct(private array $ends)
    {
        $samples = [];
        foreach ($ends as $i => [$end]) {
            $samples[] = $i === 0 ? $end->minus(Ratio::one()) : $end->plus($ends[$i - 1][0])->dividedBy(2);
            $samples[] = $end;
        }
        $samples[] = $ends === [] ? Ratio::zero() : $ends[count($ends) - 1][0]->plus(Ratio::one());
        $this->samples = $samples;
    }

    /**
     * Pieces next to each other, in the order of their ends in the rules.
     *
     * @param \Closure(int): bool $holds for a piece
     *
     * @return list<array{int, int}> the first and the last piece of each run
     */
    public function where(\Closure $holds): array
    {
        $runs = [];
        foreach (array_keys($this->samples) as $i) {
            if (!$holds($i)) {
                continue;
            }
            $last = count($runs) - 1;
            if ($last >= 0 && $runs[$last][1] === $i - 1) {
                $runs[$last][1] = $i;
            } else {
                $runs[] = [$i, $i];
            }
        }
        usort($runs, fn (array $a, array $b): int => $this->place(...$a) <=> $this->place(...$b));

        return $runs;
    }

    private function place(int $from, int $to): int
    {
        $places = array_map(
            static fn (array $e): int => $e[1],
            array_slice($this->ends, $first = intdiv(max(0, $from - 1), 2), intdiv($to, 2) - $first + 1),
        );

        return $places === [] ? 0 : min($places);
    }

    /**
     * A run as a span of ours says it.
     *
     * @param list<array{Ratio, Ratio, string}> $forms spans that have words already
     */
    public function words(int $from, int $to, array $forms): string
    {
        // Even pieces lie between ends, odd ones are ends.
        $low = $from === 0 ? null : $this->ends[intdiv($from - 1, 2)][0];
        $high = $to === count($this->samples) - 1 ? null : $this->ends[intdiv($to, 2)][0];
        [$withLow, $withHigh] = [$from % 2 === 1, $to % 2 === 1];
        if ($low === null && $high === null) {
            return 'at least -' . str_repeat('9', 30);
        }
        [$a, $b] = [$low === null ? '' : NumberItem::written($low), $high === null ? '' : NumberItem::written($high)];
        if ($low === null || $high === null) {
            return $low === null ? ($withHigh ? 'at most ' : 'under ') . $b : ($withLow ? 'at least ' : 'over ') . $a;
        }
        foreach ($withLow && $withHigh ? $forms : [] as [$first, $last, $words]) {
            if ($first->isEqualTo($low) && $last->isEqualTo($high)) {
                return $words;
            }
        }

        return match (true) {
            $withLow && $withHigh => $low->isEqualTo($high) ? $a : "$a to $b",
            $withLow => "$a up to but not $b",
            $withHigh => "over $a up to $b",
            default => "over $a up to but not $b",
        };
    }
}
