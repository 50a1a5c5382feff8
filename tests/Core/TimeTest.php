<?php

declare(strict_types=1);

namespace Zetema\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Time\Duration;
use Zetema\Core\Time\Instant;

/** Moments and lengths of time are exact, whatever they are written in. */
final class TimeTest extends TestCase
{
    /** @return iterable<string, array{string, string|null}> as it is typed, and seconds */
    public static function written(): iterable
    {
        yield 'seconds' => ['90 s', '90'];
        yield 'a number alone' => ['90', '90'];
        yield 'without a space' => ['90s', '90'];
        yield 'minutes' => ['2 min', '120'];
        yield 'both' => ['2 min 5 s', '125'];
        yield 'as on a clock' => ['1:30', '90'];
        yield 'a day' => ['1440 min', '86400'];
        yield 'more than a day' => ['1441 min', null];
        yield 'nothing' => ['0 s', null];
        yield 'no time' => ['soon', null];
        yield 'sixty seconds on a clock' => ['1:60', null];
    }

    #[DataProvider('written')]
    public function test_a_time_is_read_as_people_write_it(string $typed, ?string $seconds): void
    {
        self::assertSame($seconds, Duration::written($typed)?->inDecimals());
    }

    public function test_times_are_exact(): void
    {
        self::assertSame('112.5', Duration::seconds(90)->times(Ratio::of('1.25'))->inDecimals());
        self::assertSame('0.001', Duration::decimal('0.001')->inDecimals());
        self::assertSame([1, 2, 61], [Duration::millis(1_999)->inSeconds(), Duration::seconds(61)->inMinutes(), Duration::micros(61_000_001)->inSeconds()]);
        self::assertTrue(Duration::micros(1)->isPositive() && !Duration::none()->isPositive());
        self::assertTrue(Duration::seconds(1)->isLongerThan(Duration::millis(999)) && !Duration::seconds(1)->isLongerThan(Duration::millis(1_000)));
    }

    public function test_moments_are_told_apart_to_the_microsecond(): void
    {
        $noon = Instant::of(new \DateTimeImmutable('2026-06-01 12:00:00.000001 UTC'));
        $before = $noon->before();

        self::assertSame([true, false, true], [$before->isBefore($noon), $before->isAfter($noon), $before->is(Instant::of(new \DateTimeImmutable('2026-06-01 12:00:00 UTC')))]);
        self::assertSame([$noon, $before], [$noon->later($before), $noon->earlier($before)]);
        self::assertSame(1, $noon->since($before)->micros);
        self::assertSame('2026-06-01T12:00:00+00:00', $noon->inWords());
        self::assertSame($before->micros, Instant::millis($noon->inMillis())->micros);
    }
}
