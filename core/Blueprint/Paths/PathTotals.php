<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Paths;

use Zetema\Core\Blueprint\Step\CheckpointStep;

/** What is asked along the paths through a blueprint: together, from each step on, and up to each step. */
final readonly class PathTotals
{
    /** More paths are not told one by one. */
    public const FEW = 8;
    private const MANY = 1_000_000;

    /**
     * @param Span $all over all paths
     * @param list<Span> $before what may have been asked when a step is reached, by its place
     * @param int $paths how many there are; up to a million are counted
     * @param list<array{ways: list<array{step: string, to: int}>, asks: Span, places: list<int>}> $each where there are few: the ways taken
     *   at checkpoints, what is asked, and the steps on it
     */
    private function __construct(public Span $all, public array $before, public int $paths, public array $each)
    {
    }

    /** @param list<Span> $asks what each step asks, by its place */
    public static function of(Ways $ways, array $asks): self
    {
        $end = count($asks);
        // Null: no way leads to the end from there.
        $after = [$end => Span::nothing()];
        $paths = [$end => 1];
        for ($place = $end - 1; $place >= 0; --$place) {
            $on = null;
            $paths[$place] = 0;
            foreach ($ways->from($place) as $to) {
                $on = $on === null || $after[$to] === null ? $on ?? $after[$to] : $on->or($after[$to]);
                $paths[$place] = min(self::MANY, $paths[$place] + $paths[$to]);
            }
            $after[$place] = $on === null ? null : $asks[$place]->and($on);
        }

        return new self(
            $after[0] ?? Span::nothing(),
            self::before($ways, $asks),
            $paths[0],
            $paths[0] <= self::FEW ? self::each($ways, $asks) : [],
        );
    }

    /**
     * @param list<Span> $asks
     *
     * @return list<Span>
     */
    private static function before(Ways $ways, array $asks): array
    {
        $before = [];
        foreach ($asks as $place => $ask) {
            $here = $before[$place] ?? Span::nothing();
            $before[$place] = $here;
            foreach ($ways->from($place) as $to) {
                $known = $before[$to] ?? null;
                $so = $here->and($ask);
                $before[$to] = $known === null ? $so : $known->or($so);
            }
        }
        ksort($before);

        return array_slice($before, 0, count($asks));
    }

    /**
     * @param list<Span> $asks
     *
     * @return list<array{ways: list<array{step: string, to: int}>, asks: Span, places: list<int>}>
     */
    private static function each(Ways $ways, array $asks): array
    {
        $done = [];
        $open = [[0, [], Span::nothing(), []]];
        while ($open !== []) {
            [$place, $taken, $so, $places] = array_shift($open);
            if ($place >= count($asks)) {
                $done[] = ['ways' => $taken, 'asks' => $so, 'places' => $places];
                continue;
            }
            $step = $ways->steps[$place][1];
            $on = $ways->from($place);
            $divides = count($on) > 1 || $step instanceof CheckpointStep;
            foreach ($on as $to) {
                $open[] = [
                    $to,
                    $divides ? [...$taken, ['step' => $step->id, 'to' => $to]] : $taken,
                    $so->and($asks[$place]),
                    [...$places, $place],
                ];
            }
        }

        return $done;
    }
}
