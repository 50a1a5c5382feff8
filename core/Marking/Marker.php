<?php

declare(strict_types=1);

namespace Zetema\Core\Marking;

use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Marking\Scoring\Finder;
use Zetema\Core\Marking\Scoring\FoundScores;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Scoring\ShareRule;
use Zetema\Core\Question\Settings\Late;

/** Runs a marking plan over a checked response, in the fixed order of steps of marking.md. */
final class Marker
{
    private const ORDINALS = [2 => 'second', 3 => 'third', 4 => 'fourth', 5 => 'fifth', 6 => 'sixth'];

    public function __construct(private readonly Finder $finder = new Finder())
    {
    }

    /**
     * @param int $attempt 1 or above
     * @param int $hints how many hints were used
     * @param bool $late whether the clock ran out with this response open
     */
    public function mark(MarkingPlan $plan, Response $response, int $attempt = 1, int $hints = 0, bool $late = false): Verdict
    {
        $found = $response->isBlank() ? [] : $this->finder->found($plan->scoring, $response);

        return $this->judge($plan, $found, $response->isBlank(), $attempt, $hints, $late);
    }

    /** @param list<Criterion> $found */
    private function judge(MarkingPlan $plan, array $found, bool $blank, int $attempt, int $hints, bool $late): Verdict
    {
        if (!$plan->judged) {
            $outcome = $late ? Outcome::OutOfTime : ($blank ? Outcome::Unanswered : Outcome::Recorded);

            return new Verdict($outcome, Points::zero(), Points::zero(), [$outcome->value . ': nothing to judge']);
        }
        $penalties = $plan->penalties;
        $judged = match (true) {
            $late && $penalties->late === Late::Wrong => $this->wrong($plan),
            $blank, $late && $penalties->late === Late::Blank => $this->blank($plan),
            default => $this->judged($plan, FoundScores::of($found)),
        };

        return $this->settle($plan, $judged, $attempt, $hints, $late);
    }

    /** The mark of a first attempt in which criteria with these sums were found. */
    public function markSums(MarkingPlan $plan, FoundScores $sums, int $attempt = 1): Verdict
    {
        return $this->settle($plan, $this->judged($plan, $sums), $attempt, 0, false);
    }

    /** @param array{Outcome, Ratio, list<string>} $judged */
    private function settle(MarkingPlan $plan, array $judged, int $attempt, int $hints, bool $late): Verdict
    {
        $penalties = $plan->penalties;
        [$outcome, $sum, $working] = $judged;
        if ($late) {
            $working[0] = Outcome::OutOfTime->value . ', counts as ' . $working[0];
        }
        if ($sum->isPositive()) {
            $sum = $this->take(
                $sum,
                $penalties->forAttempt($attempt, $plan->scoring->worth),
                (self::ORDINALS[$attempt] ?? $attempt . 'th') . ' attempt',
                $working,
            );
        }
        if ($sum->isPositive()) {
            $sum = $this->take($sum, $penalties->forHints($hints), $hints === 1 ? '1 hint' : $hints . ' hints', $working);
        }
        if ($penalties->floor !== null && $sum->compareTo($penalties->floor) < 0) {
            $sum = $penalties->floor;
            $working[] = 'not below ' . $penalties->floor->inWords();
        }
        if ($sum->compareTo($plan->scoring->worth->exact()) > 0) {
            $sum = $plan->scoring->worth->exact();
            $working[] = 'not above ' . $plan->scoring->worth;
        }
        $earned = Points::rounded($sum, $penalties->decimals);
        if (!$earned->exact()->isEqualTo($sum)) {
            $working[] = sprintf('%s rounded to %s', $sum->inWords(), self::signed($earned));
        }
        if (!$plan->graded) {
            $working[] = 'not graded: 0 of 0';
            $earned = Points::zero();
        }

        return new Verdict($late ? Outcome::OutOfTime : $outcome, $earned, $plan->max(), $working);
    }

    /** @return array{Outcome, Ratio, list<string>} */
    private function judged(MarkingPlan $plan, FoundScores $sums): array
    {
        $scoring = $plan->scoring;
        [$right, $wrong, $weight, $best] = [$sums->right, $sums->wrong, $sums->weight, $sums->best];
        $worth = $scoring->worth->exact();
        if ($scoring->rule === ShareRule::Weights) {
            $outcome = $weight->isEqualTo($worth) ? Outcome::Right : ($weight->isPositive() ? Outcome::Partly : Outcome::Wrong);

            return [$outcome, $weight, [sprintf('%s: weights add up to %s of %s', $outcome->value, $weight->inWords(), $scoring->worth)]];
        }
        $share = $this->share($scoring, $right, $wrong, $best);
        $outcome = match (true) {
            $share->isZero() => Outcome::Wrong,
            $share->isEqualTo(1) && $wrong->isZero() => Outcome::Right,
            default => Outcome::Partly,
        };
        if ($outcome === Outcome::Wrong) {
            return $this->wrong($plan, $this->parts($scoring, $right, $wrong));
        }
        $sum = $share->multipliedBy($worth);
        $line = $outcome->value . ': ' . $sum->inWords();
        if ($outcome === Outcome::Partly) {
            $line .= sprintf(' (%s of %s%s)', $share->inWords(), $scoring->worth, $this->parts($scoring, $right, $wrong));
            if ($share->isEqualTo(1)) {
                $line .= '; everything right was given, but something wrong beside it, which costs nothing here';
            }
        }

        return [$outcome, $sum, [$line]];
    }

    private function share(Scoring $scoring, Ratio $right, Ratio $wrong, Ratio $best): Ratio
    {
        $capped = $right->isGreaterThan($scoring->need) ? $scoring->need : $right;

        return match ($scoring->rule) {
            ShareRule::Best => $best,
            ShareRule::Whole => $capped->isEqualTo($scoring->need) && $wrong->isZero() ? Ratio::one() : Ratio::zero(),
            ShareRule::Share, ShareRule::Weights, ShareRule::None => self::notBelowZero(
                $capped->minus($wrong->multipliedBy($scoring->wrongPartCosts))->dividedBy($scoring->need),
            ),
        };
    }

    private function parts(Scoring $scoring, Ratio $right, Ratio $wrong): string
    {
        if ($scoring->rule !== ShareRule::Share) {
            return '';
        }

        return sprintf(
            ': %s right, %s wrong at %s each, %s needed',
            $right->inWords(),
            $wrong->inWords(),
            $scoring->wrongPartCosts->inWords(),
            $scoring->need->inWords(),
        );
    }

    /** @return array{Outcome, Ratio, list<string>} */
    private function wrong(MarkingPlan $plan, string $why = ''): array
    {
        $costs = $plan->penalties->wrong;

        return [Outcome::Wrong, $costs->negated(), ['wrong: ' . $costs->negated()->inWords() . $why]];
    }

    /** @return array{Outcome, Ratio, list<string>} */
    private function blank(MarkingPlan $plan): array
    {
        $costs = $plan->penalties->blank->negated();

        return [Outcome::Unanswered, $costs, ['unanswered: ' . $costs->inWords()]];
    }

    /** @param list<string> $working */
    private function take(Ratio $sum, Ratio $costs, string $why, array &$working): Ratio
    {
        if ($costs->isZero()) {
            return $sum;
        }
        $working[] = $why . ': ' . $costs->negated()->inWords();
        $left = self::notBelowZero($sum->minus($costs));
        if ($left->isZero() && $costs->isGreaterThan($sum)) {
            $working[] = 'not below 0';
        }

        return $left;
    }

    private static function notBelowZero(Ratio $number): Ratio
    {
        return $number->isNegative() ? Ratio::zero() : $number;
    }

    private static function signed(Points $points): string
    {
        return str_replace('-', '−', (string) $points);
    }
}
