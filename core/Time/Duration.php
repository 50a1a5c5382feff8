<?php

declare(strict_types=1);

namespace Zetema\Core\Time;

use Zetema\Core\Numbers\Ratio;

/** A length of time, exact to the microsecond. */
final readonly class Duration
{
    private const SECOND = 1_000_000;

    private function __construct(public int $micros)
    {
    }

    public static function none(): self
    {
        return new self(0);
    }

    public static function micros(int $micros): self
    {
        return new self($micros);
    }

    public static function millis(int $millis): self
    {
        return new self($millis * 1_000);
    }

    public static function seconds(int $seconds): self
    {
        return new self($seconds * self::SECOND);
    }

    public static function hours(int $hours): self
    {
        return self::seconds(3_600 * $hours);
    }

    /** @param string $seconds a decimal of at most 6 places, as it is written down */
    public static function decimal(string $seconds): self
    {
        return new self((int) (string) Ratio::of($seconds)->multipliedBy(self::SECOND));
    }

    /** @return self|null as people write it: 30 s, 2 min, 2 min 30 s, 1:30, 30; null if it is none, or nothing, or longer than a day */
    public static function written(string $typed): ?self
    {
        $seconds = match (1) {
            preg_match('/^(\d{1,5})(?: ?s)?$/', $typed, $m) => (int) $m[1],
            preg_match('/^(\d{1,4}) ?min(?: ?([0-5]?\d) ?s)?$/', $typed, $m) => 60 * (int) $m[1] + (int) ($m[2] ?? 0),
            preg_match('/^(\d{1,4}):([0-5]\d)$/', $typed, $m) => 60 * (int) $m[1] + (int) $m[2],
            default => 0,
        };

        return $seconds === 0 || $seconds > 86_400 ? null : self::seconds($seconds);
    }

    public function plus(self $other): self
    {
        return new self($this->micros + $other->micros);
    }

    public function minus(self $other): self
    {
        return new self($this->micros - $other->micros);
    }

    /** @param Ratio $factor of at most 6 decimals */
    public function times(Ratio $factor): self
    {
        return new self((int) (string) $factor->multipliedBy($this->micros));
    }

    public function isPositive(): bool
    {
        return $this->micros > 0;
    }

    public function isLongerThan(self $other): bool
    {
        return $this->micros > $other->micros;
    }

    /** Whole seconds, the rest left out. */
    public function inSeconds(): int
    {
        return intdiv($this->micros, self::SECOND);
    }

    /** Whole minutes, begun ones counted. */
    public function inMinutes(): int
    {
        return (int) ceil($this->micros / (60 * self::SECOND));
    }

    /** Exact seconds. */
    public function exact(): Ratio
    {
        return Ratio::nd($this->micros, self::SECOND);
    }

    /** "61.5": seconds as a decimal without trailing zeros. */
    public function inDecimals(): string
    {
        return (string) $this->exact()->decimal();
    }
}
