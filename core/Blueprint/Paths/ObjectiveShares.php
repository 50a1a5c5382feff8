<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Paths;

use Zetema\Core\Blueprint\Step\DrawStep;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Drawing\Dealer;
use Zetema\Core\Drawing\Draw;
use Zetema\Core\Drawing\Proof\Worths;
use Zetema\Core\Drawing\Stock\QuestionClass;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Settings\Setting;

/**
 * How much of the points of a form each objective has, what lies below it included: between which shares, over the forms that
 * can be dealt and the paths through them. Exact where every form asks as much of it; else bounds, which the draws may not reach together.
 */
final class ObjectiveShares
{
    /**
     * @var array<int, list<array{list<string>, Points, int}>> objective, worth and number of the questions that a draw may take, by class
     */
    private array $pools = [];

    /** @param list<Draw> $draws in running order */
    public function __construct(private readonly Ways $ways, private readonly Dealer $dealer, private readonly array $draws)
    {
    }

    /** @return list<string> the objectives that divide what forms may hold: the first below what all of it has in common */
    public function divided(): array
    {
        $paths = array_values(array_filter(array_map(static fn ($class): array => $class->sample->objective, $this->dealer->held())));
        $common = $paths[0] ?? [];
        foreach ($paths as $path) {
            $common = array_slice($common, 0, count(array_intersect_assoc($common, $path)));
        }
        $divided = [];
        foreach ($paths as $path) {
            $divided[implode(' > ', array_slice($path, 0, count($common) + 1))] = true;
        }

        return array_map(strval(...), array_keys($divided));
    }

    /**
     * @param list<list<int>> $paths places of the steps on each; where there are too many, all steps
     *
     * @return array{Ratio, Ratio}|null least and most, of 1; null where a form may have no points at all
     */
    public function of(string $objective, array $paths): ?array
    {
        $range = null;
        foreach ($this->along($objective, $paths) as [$own, $rest]) {
            $low = self::share($own->least, $rest->most);
            $high = self::share($own->most, $rest->least);
            if ($low === null || $high === null) {
                return null;
            }
            $range =
                $range === null
                    ? [$low, $high]
                    : [$low->compareTo($range[0]) < 0 ? $low : $range[0], $high->compareTo($range[1]) > 0 ? $high : $range[1]];
        }

        return $range;
    }

    /**
     * The points of an objective, what lies below it included.
     *
     * @param list<list<int>> $paths as of() has them
     *
     * @return array{Points, Points} least and most
     */
    public function points(string $objective, array $paths): array
    {
        $all = array_map(static fn (array $both): Span => $both[0], $this->along($objective, $paths));
        $span = array_reduce(array_slice($all, 1), static fn (Span $sum, Span $one): Span => $sum->or($one), $all[0] ?? Span::nothing());

        return [$span->least, $span->most];
    }

    /**
     * @param list<list<int>> $paths
     *
     * @return list<array{Span, Span}> what each path gives to an objective, and to all others
     */
    private function along(string $objective, array $paths): array
    {
        $both = $this->byStep(explode(' > ', $objective));
        $sums = [];
        foreach ($paths as $path) {
            $own = $rest = Span::nothing();
            foreach ($path as $place) {
                $own = $own->and($both[0][$place]);
                $rest = $rest->and($both[1][$place]);
            }
            $sums[] = [$own, $rest];
        }

        return $sums;
    }

    private static function share(Points $own, Points $rest): ?Ratio
    {
        $all = $own->plus($rest);

        return $all->isZero() ? null : $own->exact()->dividedBy($all->exact());
    }

    /**
     * @param list<string> $objective
     *
     * @return array{list<Span>, list<Span>} what each step gives to it, and to all others
     */
    private function byStep(array $objective): array
    {
        $of = $others = [];
        $d = 0;
        foreach ($this->ways->steps as [, $step]) {
            $own = $rest = Span::nothing();
            if ($step instanceof QuestionStep) {
                $set = $step->settings->get(Setting::Points);
                $worth = $set === null ? $this->dealer->worthOfFixed($step->question) : Points::of($set);
                $one = new Span(1, 1, $worth, $worth);
                self::isUnder($this->dealer->objectiveOfFixed($step->question), $objective) ? ($own = $one) : ($rest = $one);
            } elseif ($step instanceof DrawStep) {
                [$own, $rest] = $this->drawn($d++, $objective);
            }
            $of[] = $own;
            $others[] = $rest;
        }

        return [$of, $others];
    }

    /**
     * @param list<string> $objective
     *
     * @return array{Span, Span}
     */
    private function drawn(int $d, array $objective): array
    {
        $draw = $this->draws[$d];
        $sorted = [[], []];
        $this->pools[$d] ??= array_map(
            static fn (QuestionClass $class): array => [$class->sample->objective, $draw->worthOf($class->sample), $class->count],
            $this->dealer->pool($d),
        );
        foreach ($this->pools[$d] as [$of, $worth, $count]) {
            $sorted[self::isUnder($of, $objective) ? 0 : 1][] = [$worth, $count];
        }
        [$own, $rest] = [new Worths($sorted[0]), new Worths($sorted[1])];
        $span = static function (Worths $these, Worths $others) use ($draw): Span {
            $fewest = max(0, $draw->take - $others->count);
            $many = min($draw->take, $these->count);

            return new Span($fewest, $many, $these->least($fewest), $these->most($many));
        };

        return [$span($own, $rest), $span($rest, $own)];
    }

    /**
     * @param list<string> $path
     * @param list<string> $objective
     */
    private static function isUnder(array $path, array $objective): bool
    {
        return array_slice($path, 0, count($objective)) === $objective;
    }
}
