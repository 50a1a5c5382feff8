<?php

declare(strict_types=1);

namespace Zetema\Core\Time;

/** A moment, exact to the microsecond: since 1970 in UTC, or since the start of a sitting that was written down. */
final readonly class Instant
{
    private function __construct(public int $micros)
    {
    }

    public static function micros(int $micros): self
    {
        return new self($micros);
    }

    public static function millis(int $millis): self
    {
        return new self($millis * 1_000);
    }

    public static function of(\DateTimeInterface $moment): self
    {
        return new self((int) $moment->format('Uu'));
    }

    /** The beginning that moments are counted from. */
    public static function start(): self
    {
        return new self(0);
    }

    public function plus(Duration $time): self
    {
        return new self($this->micros + $time->micros);
    }

    public function minus(Duration $time): self
    {
        return new self($this->micros - $time->micros);
    }

    public function since(self $earlier): Duration
    {
        return Duration::micros($this->micros - $earlier->micros);
    }

    public function isBefore(self $other): bool
    {
        return $this->micros < $other->micros;
    }

    public function isAfter(self $other): bool
    {
        return $this->micros > $other->micros;
    }

    public function is(self $other): bool
    {
        return $this->micros === $other->micros;
    }

    public function earlier(self $other): self
    {
        return $this->micros <= $other->micros ? $this : $other;
    }

    public function later(self $other): self
    {
        return $this->micros >= $other->micros ? $this : $other;
    }

    /** The last microsecond before. */
    public function before(): self
    {
        return new self($this->micros - 1);
    }

    public function inMillis(): int
    {
        return intdiv($this->micros, 1_000);
    }

    /** Whole seconds. */
    public function inSeconds(): int
    {
        return intdiv($this->micros, 1_000_000);
    }

    /** As in RFC 3339, in UTC, to the second. */
    public function inWords(): string
    {
        return gmdate(DATE_ATOM, $this->inSeconds());
    }
}
