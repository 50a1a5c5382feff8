<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Guessing;

use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Marking\Scoring\Finder;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseSpace;
use Zetema\Core\Question\Response\Space\Clicks;
use Zetema\Core\Question\Response\Space\TypedFreely;
use Zetema\Core\Question\Settings\EffectiveSettings;

/** The exact distribution of points for a blind guess on the first attempt, without a hint (marking.md, "Guessing"). */
final readonly class Guessing
{
    /** Up to so many responses are simply marked one by one. */
    private const LISTED = 5_100;

    public function __construct(private Marker $marker = new Marker(), private Finder $finder = new Finder())
    {
    }

    /**
     * @return list<array{points: Points, chance: Ratio}> rising; the chances sum to 1
     *
     * @throws TooManyToCount if it cannot be computed exactly
     */
    public function of(Question $question, EffectiveSettings $settings): array
    {
        $plan = MarkingPlan::of($question, $settings);
        $space = $question->kind->space($settings);
        if (!$plan->graded || !$plan->judged || $space instanceof TypedFreely) {
            return [['points' => Points::zero(), 'chance' => Ratio::one()]];
        }
        if ($space instanceof Clicks && $space->width === 0) {
            throw new TooManyToCount('how large the picture is is not known; write `size: 800 600` below its `image:` line');
        }
        if ($space->count() <= self::LISTED) {
            return self::spread($this->listed($plan, $space));
        }
        $counter = new ScoreCounter($plan->scoring, $this->finder);
        $chances = [];
        foreach ($counter->count($space) as [$sums, $ways, $blank]) {
            $verdict = $blank ? $this->marker->mark($plan, Response::blank()) : $this->marker->markSums($plan, $sums);
            $points = (string) $verdict->earned;
            $chances[$points] = ($chances[$points] ?? BigInteger::zero())->plus($ways);
        }

        return self::spread($chances);
    }

    /** @return array<string, BigInteger> how many responses earn so much */
    private function listed(MarkingPlan $plan, ResponseSpace $space): array
    {
        $ways = [];
        foreach ($space->all() as $response) {
            $points = (string) $this->marker->mark($plan, $response)->earned;
            $ways[$points] = ($ways[$points] ?? BigInteger::zero())->plus(1);
        }

        return $ways;
    }

    /**
     * @param array<array-key, BigInteger> $ways
     *
     * @return list<array{points: Points, chance: Ratio}>
     */
    private static function spread(array $ways): array
    {
        $all = array_reduce($ways, static fn (BigInteger $sum, BigInteger $n): BigInteger => $sum->plus($n), BigInteger::zero());
        $rows = [];
        foreach ($ways as $points => $n) {
            if (!$n->isZero()) {
                $rows[] = ['points' => Points::of((string) $points), 'chance' => Ratio::ofBig(BigRational::nd($n, $all))];
            }
        }
        usort($rows, static fn (array $a, array $b): int => $a['points']->compare($b['points']));

        return $rows;
    }
}
