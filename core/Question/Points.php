<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Settings\InvalidSetting;

/** An exact number of points: a decimal, never a float. */
final readonly class Points implements \Stringable, \JsonSerializable
{
    private function __construct(private Ratio $value)
    {
    }

    /**
     * @param string $decimal such as "10", "-2.5" or "−2.5"
     *
     * @throws InvalidSetting if it is no decimal of at most 12 digits before and 6 after the point
     */
    public static function of(string $decimal): self
    {
        $plain = str_replace('−', '-', trim($decimal));
        if (preg_match('/^-?\d{1,12}(\.\d{1,6})?$/', $plain) !== 1) {
            throw new InvalidSetting('“' . mb_substr($decimal, 0, 40) . '” is no decimal number; write it like 10 or 2.5');
        }

        return new self(Ratio::of($plain));
    }

    public static function zero(): self
    {
        return new self(Ratio::zero());
    }

    /** Rounded half away from zero (marking.md, step 8). */
    public static function rounded(Ratio $exact, int $decimals): self
    {
        return new self($exact->rounded($decimals));
    }

    /** Cut towards zero. */
    public static function cut(Ratio $exact, int $decimals): self
    {
        return new self($exact->cut($decimals));
    }

    public function plus(self $other): self
    {
        return new self($this->value->plus($other->value));
    }

    public function negated(): self
    {
        return new self($this->value->negated());
    }

    public function times(int $n): self
    {
        return new self($this->value->multipliedBy($n));
    }

    public function exact(): Ratio
    {
        return $this->value;
    }

    public function compare(self $other): int
    {
        return $this->value->compareTo($other->value);
    }

    /** A whole number to sort by. */
    public function inMillionths(): int
    {
        return (int) (string) $this->value->multipliedBy(1_000_000);
    }

    public function isNegative(): bool
    {
        return $this->value->isNegative();
    }

    public function isZero(): bool
    {
        return $this->value->isZero();
    }

    /** How many digits stand after the point, end zeros not counted. */
    public function decimals(): int
    {
        return $this->value->decimals() ?? 0;
    }

    /** Without end zeros: "2.5", "10", "-1". */
    public function __toString(): string
    {
        return $this->value->decimal() ?? throw new \LogicException('points are decimals');
    }

    public function jsonSerialize(): string
    {
        return (string) $this;
    }
}
