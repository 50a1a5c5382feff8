<?php

declare(strict_types=1);

namespace Zetema\Core\Marking;

use Brick\Math\BigRational;
use Zetema\Core\Question\Atom;

/** What the atoms found in a response add up to. */
final readonly class Sums
{
    private function __construct(public BigRational $right, public BigRational $wrong, public BigRational $weight, public BigRational $best)
    {
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
            $right = $right->plus($atom->right);
            $wrong = $wrong->plus($atom->wrong);
            $weight = $weight->plus($atom->weight);
            $best = $atom->right->isGreaterThan($best) ? $atom->right : $best;
        }

        return new self($right, $wrong, $weight, $best);
    }

    public function plus(self $other): self
    {
        return new self(
            $this->right->plus($other->right)->simplified(),
            $this->wrong->plus($other->wrong)->simplified(),
            $this->weight->plus($other->weight)->simplified(),
            $other->best->isGreaterThan($this->best) ? $other->best : $this->best,
        );
    }

    public function key(): string
    {
        return implode(' ', array_map(static fn (BigRational $n): string => (string) $n->simplified(), [$this->right, $this->wrong, $this->weight, $this->best]));
    }
}
