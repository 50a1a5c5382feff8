<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Paths;

use Zetema\Core\Question\Points;

/** The least and the most of what a form asks, over the forms that can be dealt and the paths through them. */
final readonly class Span
{
    public function __construct(public int $fewest, public int $many, public Points $least, public Points $most)
    {
    }

    public static function nothing(): self
    {
        return new self(0, 0, Points::zero(), Points::zero());
    }

    public function and(self $other): self
    {
        return new self(
            $this->fewest + $other->fewest,
            $this->many + $other->many,
            $this->least->plus($other->least),
            $this->most->plus($other->most),
        );
    }

    /** What either of them may come to. */
    public function or(self $other): self
    {
        return new self(
            min($this->fewest, $other->fewest),
            max($this->many, $other->many),
            $this->least->compare($other->least) <= 0 ? $this->least : $other->least,
            $this->most->compare($other->most) >= 0 ? $this->most : $other->most,
        );
    }
}
