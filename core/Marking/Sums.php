<?php

declare(strict_types=1);

namespace Zetema\Core\Marking;

use Brick\Math\BigRational;
use Zetema\Core\Question\Atom;

/** What the atoms found in a response add up to. */
final readonly class Sums
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

    /** @param list<Atom> $atoms */
    public static function of(array $atoms): self
    {
        $right = $wrong = $weight = $best = BigRational::zero();
        foreach ($atoms as $atom) {
            $right = self::sum($right, $atom->right);
            $wrong = self::sum($wrong, $atom->wrong);
            $weight = self::sum($weight, $atom->weight);
            $best = $atom->right->isGreaterThan($best) ? $atom->right : $best;
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
