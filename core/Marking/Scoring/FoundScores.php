<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Scoring;

use Brick\Math\BigRational;
use Zetema\Core\Question\Scoring\Criterion;

/** What the criteria found in a response add up to. */
final readonly class FoundScores
{
    /** The same for equal sums. */
    public string $key;

    private function __construct(public BigRational $right, public BigRational $wrong, public BigRational $weight, public BigRational $best)
    {
        $this->key = $right . ' ' . $wrong . ' ' . $weight . ' ' . $best;
    }

    public static function none(): self
    {
        return new self(BigRational::zero(), BigRational::zero(), BigRational::zero(), BigRational::zero());
    }

    /** @param list<Criterion> $criteria */
    public static function of(array $criteria): self
    {
        $right = $wrong = $weight = $best = BigRational::zero();
        foreach ($criteria as $criterion) {
            $right = self::sum($right, $criterion->right);
            $wrong = self::sum($wrong, $criterion->wrong);
            $weight = self::sum($weight, $criterion->weight);
            $best = $criterion->right->isGreaterThan($best) ? $criterion->right : $best;
        }

        return new self($right->simplified(), $wrong->simplified(), $weight->simplified(), $best->simplified());
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

    private static function sum(BigRational $a, BigRational $b): BigRational
    {
        return $b->isZero() ? $a : $a->plus($b)->simplified();
    }
}
