<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use Zetema\Core\Question\Settings\InvalidSetting;

/** An exact number of points: a decimal, never a float. */
final readonly class Points implements \Stringable, \JsonSerializable
{
    private function __construct(public BigDecimal $value)
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

        return new self(BigDecimal::of($plain));
    }

    public static function zero(): self
    {
        return new self(BigDecimal::zero());
    }

    /** Rounded half away from zero (marking.md, step 8). */
    public static function rounded(BigRational $exact, int $decimals): self
    {
        return new self($exact->toScale($decimals, RoundingMode::HALF_UP));
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

    public function exact(): BigRational
    {
        return $this->value->toBigRational();
    }

    public function compare(self $other): int
    {
        return $this->value->compareTo($other->value);
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
        return max(0, $this->value->stripTrailingZeros()->getScale());
    }

    /** Without end zeros: "2.5", "10", "-1". */
    public function __toString(): string
    {
        return (string) $this->value->stripTrailingZeros()->toScale($this->decimals());
    }

    public function jsonSerialize(): string
    {
        return (string) $this;
    }
}
