<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Marking;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Numbers\Ratio;

final class RatioTest extends TestCase
{
    use TestTrait;

    /** Small numbers, and those at the end of what a whole number of the machine holds. */
    private const NUMBERS = [
        '0',
        '1',
        '-1',
        '7/3',
        '-22/7',
        '0.000001',
        '2.5',
        '999999999999',
        '-999999999999.999999',
        '4611686018427387904',
        '9223372036854775807',
        '-9223372036854775808',
        '1/9223372036854775807',
        '3037000500/7',
        '170141183460469231731687303715884105728/3',
    ];

    public function test_every_operation_agrees_with_numbers_of_any_length(): void
    {
        foreach (self::NUMBERS as $a) {
            foreach (self::NUMBERS as $b) {
                self::assertAgrees(BigRational::of($a), BigRational::of($b));
            }
        }
    }

    public function test_random_fractions_agree_too(): void
    {
        $any = Generators::oneOf(Generators::choose(-40, 40), Generators::choose(PHP_INT_MIN + 1, PHP_INT_MAX));
        $this->limitTo(300)
            ->forAll($any, Generators::choose(1, 1_000_000_007), $any, Generators::choose(1, 97))
            ->then(static function (int $n, int $d, int $m, int $e): void {
                self::assertAgrees(BigRational::nd($n, $d), BigRational::nd($m, $e));
            });
    }

    /** @return iterable<array{string, string|null, string}> */
    public static function decimals(): iterable
    {
        yield ['5/2', '2.5', '2.5'];
        yield ['-1/8', '-0.125', '-0.13'];
        yield ['1/3', null, '0.33'];
        yield ['1000', '1000', '1000'];
        yield ['-1/200', '-0.005', '-0.01'];
        yield ['1/1024', '0.0009765625', '0'];
        yield ['999999999999.999999', '999999999999.999999', '1000000000000'];
        yield ['12345678901234567890.5', '12345678901234567890.5', '12345678901234567890.5'];
    }

    #[DataProvider('decimals')]
    public function test_a_decimal_is_written_without_end_zeros_and_rounded_half_away_from_zero(string $number, ?string $decimal, string $rounded): void
    {
        self::assertSame([$decimal, $rounded], [Ratio::of($number)->decimal(), Ratio::of($number)->rounded(2)->decimal()]);
    }

    private static function assertAgrees(BigRational $a, BigRational $b): void
    {
        $x = Ratio::ofBig($a);
        $y = Ratio::ofBig($b);
        $pairs = [
            [$x, $a],
            [$x->plus($y), $a->plus($b)],
            [$x->minus($y), $a->minus($b)],
            [$x->multipliedBy($y), $a->multipliedBy($b)],
            [$x->negated(), $a->negated()],
            [$x->abs(), $a->abs()],
            [$x->rounded(2), $a->toScale(2, RoundingMode::HALF_UP)->toBigRational()],
            ...$b->isZero() ? [] : [[$x->dividedBy($y), $a->dividedBy($b)]],
        ];
        foreach ($pairs as [$ours, $theirs]) {
            self::assertSame((string) $theirs->simplified(), (string) $ours);
        }
        self::assertSame($a->compareTo($b), $x->compareTo($y));
        self::assertSame([$a->isZero(), $a->isPositive(), $a->isNegative()], [$x->isZero(), $x->isPositive(), $x->isNegative()]);
    }
}
