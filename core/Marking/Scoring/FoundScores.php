<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Scoring;

use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Scoring\ShareRule;

/** What the criteria found in a response add up to. */
final readonly class FoundScores
{
    /** The same for equal sums. */
    public string $key;

    private function __construct(public Ratio $right, public Ratio $wrong, public Ratio $weight, public Ratio $best)
    {
        $this->key = $right . ' ' . $wrong . ' ' . $weight . ' ' . $best;
    }

    public static function none(): self
    {
        return new self(Ratio::zero(), Ratio::zero(), Ratio::zero(), Ratio::zero());
    }

    /** What a response with every right part and no wrong one adds up to. */
    public static function allRight(Scoring $scoring): self
    {
        $zero = Ratio::zero();

        return match ($scoring->rule) {
            ShareRule::Weights => new self($zero, $zero, $scoring->worth->exact(), $zero),
            ShareRule::Best => new self(Ratio::one(), $zero, $zero, Ratio::one()),
            ShareRule::Whole, ShareRule::Share, ShareRule::None => new self($scoring->need, $zero, $zero, $scoring->need),
        };
    }

    /** @param list<Criterion> $criteria */
    public static function of(array $criteria): self
    {
        $right = $wrong = $weight = $best = Ratio::zero();
        foreach ($criteria as $criterion) {
            $right = self::sum($right, $criterion->right);
            $wrong = self::sum($wrong, $criterion->wrong);
            $weight = self::sum($weight, $criterion->weight);
            $best = $criterion->right->isGreaterThan($best) ? $criterion->right : $best;
        }

        return new self($right, $wrong, $weight, $best);
    }

    public function plus(self $other): self
    {
        return new self(
            self::sum($this->right, $other->right),
            self::sum($this->wrong, $other->wrong),
            self::sum($this->weight, $other->weight),
            $other->best->isGreaterThan($this->best) ? $other->best : $this->best,
        );
    }

    private static function sum(Ratio $a, Ratio $b): Ratio
    {
        return $b->isZero() ? $a : $a->plus($b);
    }
}
