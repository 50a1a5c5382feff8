<?php

declare(strict_types=1);

namespace Zetema\Core\Numbers;

use Brick\Math\BigRational;
use Brick\Math\Exception\MathException;
use Brick\Math\RoundingMode;

/**
 * An exact fraction in lowest terms. Two whole numbers of the machine as long as they suffice, which is nearly always and quick;
 * numbers of any length beyond. Which of the two it is makes no difference but speed.
 */
final readonly class Ratio implements \Stringable
{
    /** @param BigRational|null $big in lowest terms, where the whole numbers do not suffice */
    private function __construct(private int $n, private int $d, private ?BigRational $big = null)
    {
    }

    public static function zero(): self
    {
        return new self(0, 1);
    }

    public static function one(): self
    {
        return new self(1, 1);
    }

    /** @param int|numeric-string|string $number a whole number, a decimal or a fraction such as "10/3" */
    public static function of(int|string $number): self
    {
        if (is_int($number)) {
            return $number === PHP_INT_MIN ? self::ofBig(BigRational::of($number)) : new self($number, 1);
        }
        if (preg_match('/^(-?\d{1,12})(?:\.(\d{1,6}))?$/D', $number, $m) === 1) {
            $decimals = $m[2] ?? '';

            return self::reduced((int) ($m[1] . $decimals), 10 ** strlen($decimals));
        }

        return self::ofBig(BigRational::of($number));
    }

    /** @param int $d not 0 */
    public static function nd(int $n, int $d): self
    {
        return min($n, $d) === PHP_INT_MIN
            ? self::ofBig(BigRational::nd($n, $d))
            : ($d < 0
                ? self::reduced(-$n, -$d)
                : self::reduced($n, $d));
    }

    public static function ofBig(BigRational $big): self
    {
        $big = $big->simplified();
        try {
            $n = $big->getNumerator()->toInt();
            $d = $big->getDenominator()->toInt();

            return $n === PHP_INT_MIN ? new self(0, 0, $big) : new self($n, $d);
        } catch (MathException) {
            return new self(0, 0, $big);
        }
    }

    public function plus(self $other): self
    {
        if ($this->big === null && $other->big === null) {
            if ($other->n === 0) {
                return $this;
            }
            $same = $this->d === $other->d;
            $n = $same
                ? self::sum($this->n, $other->n)
                : self::sum(self::product($this->n, $other->d), self::product($other->n, $this->d));
            $d = $same ? $this->d : self::product($this->d, $other->d);
            if (is_int($n) && is_int($d)) {
                return self::reduced($n, $d);
            }
        }

        return self::ofBig($this->toBig()->plus($other->toBig()));
    }

    public function minus(self $other): self
    {
        return $this->plus($other->negated());
    }

    public function multipliedBy(self|int $other): self
    {
        $other = is_int($other) ? self::of($other) : $other;
        if ($this->big === null && $other->big === null) {
            $n = self::product($this->n, $other->n);
            $d = self::product($this->d, $other->d);
            if (is_int($n) && is_int($d)) {
                return self::reduced($n, $d);
            }
        }

        return self::ofBig($this->toBig()->multipliedBy($other->toBig()));
    }

    /** @param self|int $other not 0 */
    public function dividedBy(self|int $other): self
    {
        $other = is_int($other) ? self::of($other) : $other;
        if ($this->big === null && $other->big === null && $other->n !== 0) {
            $n = self::product($this->n, $other->d);
            $d = self::product($this->d, $other->n);
            if (is_int($n) && is_int($d)) {
                return self::nd($n, $d);
            }
        }

        return self::ofBig($this->toBig()->dividedBy($other->toBig()));
    }

    public function abs(): self
    {
        return $this->isNegative() ? $this->negated() : $this;
    }

    public function negated(): self
    {
        return $this->big === null ? new self(-$this->n, $this->d) : new self(0, 0, $this->big->negated());
    }

    public function compareTo(self|int $other): int
    {
        $other = is_int($other) ? self::of($other) : $other;
        if ($this->big === null && $other->big === null) {
            if ($this->d === $other->d) {
                return $this->n <=> $other->n;
            }
            $a = self::product($this->n, $other->d);
            $b = self::product($other->n, $this->d);
            if (is_int($a) && is_int($b)) {
                return $a <=> $b;
            }
        }

        return $this->toBig()->compareTo($other->toBig());
    }

    public function isEqualTo(self|int $other): bool
    {
        return $this->compareTo($other) === 0;
    }

    public function isGreaterThan(self|int $other): bool
    {
        return $this->compareTo($other) > 0;
    }

    public function isZero(): bool
    {
        return $this->big === null && $this->n === 0;
    }

    public function isPositive(): bool
    {
        return $this->big === null ? $this->n > 0 : $this->big->isPositive();
    }

    public function isNegative(): bool
    {
        return $this->big === null ? $this->n < 0 : $this->big->isNegative();
    }

    /** To so many decimals, half away from zero. */
    public function rounded(int $decimals): self
    {
        $power = 10 ** $decimals;
        $scaled = self::product($this->n, $power);
        if ($this->big === null && is_int($scaled) && abs($scaled) < PHP_INT_MAX >> 2 && $this->d < PHP_INT_MAX >> 2) {
            $whole = intdiv(2 * abs($scaled) + $this->d, 2 * $this->d);

            return self::reduced($scaled < 0 ? -$whole : $whole, $power);
        }

        return self::ofBig($this->toBig()->toScale($decimals, RoundingMode::HALF_UP)->toBigRational());
    }

    /** To so many decimals, towards zero. */
    public function cut(int $decimals): self
    {
        return self::ofBig($this->toBig()->toScale($decimals, RoundingMode::DOWN)->toBigRational());
    }

    /** How many digits stand after the point, end zeros not counted; null if it is no decimal number. */
    public function decimals(): ?int
    {
        if ($this->big !== null) {
            try {
                return max(0, $this->big->toBigDecimal()->stripTrailingZeros()->getScale());
            } catch (MathException) {
                return null;
            }
        }
        $twos = $fives = 0;
        $d = $this->d;
        for (; $d % 2 === 0; $d = intdiv($d, 2)) {
            ++$twos;
        }
        for (; $d % 5 === 0; $d = intdiv($d, 5)) {
            ++$fives;
        }

        return $d === 1 ? max($twos, $fives) : null;
    }

    /** As a decimal if it is one, without end zeros; else null. */
    public function decimal(): ?string
    {
        if ($this->big === null && $this->d === 1) {
            return (string) $this->n;
        }
        $decimals = $this->decimals();
        if ($decimals === null) {
            return null;
        }
        $unscaled = $decimals < 18 ? self::product($this->n, intdiv(10 ** $decimals, max(1, $this->d))) : 0.0;
        if ($this->big !== null || !is_int($unscaled)) {
            $decimal = $this->toBig()->toBigDecimal()->stripTrailingZeros();

            return (string) ($decimal->getScale() < 0 ? $decimal->toScale(0) : $decimal);
        }
        $digits = str_pad((string) abs($unscaled), $decimals + 1, '0', STR_PAD_LEFT);

        return ($unscaled < 0 ? '-' : '') . substr($digits, 0, -$decimals) . '.' . substr($digits, -$decimals);
    }

    public function toBig(): BigRational
    {
        return $this->big ?? BigRational::nd($this->n, $this->d);
    }

    /** For people: a decimal of up to six places where it is one, else the fraction; with a minus sign, not a hyphen. */
    public function inWords(): string
    {
        $decimals = $this->decimals();
        $words = $decimals !== null && $decimals <= 6 ? $this->decimal() ?? '' : (string) $this;

        return str_replace('-', '−', $words);
    }

    /** "3", "-10/3". */
    public function __toString(): string
    {
        if ($this->big !== null) {
            return (string) $this->big;
        }

        return $this->d === 1 ? (string) $this->n : $this->n . '/' . $this->d;
    }

    /** Beyond what a whole number of the machine holds, PHP gives a float, which is never reckoned with. */
    private static function product(int|float $a, int|float $b): int|float
    {
        return $a * $b;
    }

    private static function sum(int|float $a, int|float $b): int|float
    {
        return $a + $b;
    }

    /** @param int $d above 0 */
    private static function reduced(int $n, int $d): self
    {
        if ($n === PHP_INT_MIN) {
            return self::ofBig(BigRational::nd($n, $d));
        }
        if ($d !== 1) {
            $a = $n < 0 ? -$n : $n;
            $b = $d;
            while ($a !== 0) {
                [$a, $b] = [$b % $a, $a];
            }
            if ($b !== 1) {
                $n = intdiv($n, $b);
                $d = intdiv($d, $b);
            }
        }

        return new self($n, $d);
    }
}
