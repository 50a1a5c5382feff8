<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Numbers\NumberReader;
use Zetema\Core\Question\Answers\Span;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Tests\Core\TextQuestions;
use Zetema\Tests\Speed;

final class NumberTest extends TestCase
{
    /** @return iterable<string, array{string, string|null}> */
    public static function typed(): iterable
    {
        $cases = [
            '8.3' => '83/10',
            '8,3' => '83/10',
            '1 250' => '1250',
            '1,250.5' => '2501/2',
            '1.250,5' => '2501/2',
            '−3' => '-3',
            '3e-2' => '3/100',
            '2/3' => '2/3',
            '1 1/2' => '3/2',
            '45 %' => '9/20',
            '1,250' => '1250',
            '1.250' => '5/4',
            '0,300' => '3/10',
            '1250,500' => '2501/2',
            '+14' => '14',
            '14.' => '14',
            '.5' => '1/2',
            '1.4E1' => '14',
            '1.4e+1' => '14',
            "1\u{00A0}250" => '1250',
            '2 / 3' => '2/3',
            '1,250,000' => '1250000',
            '-1 1/2' => '-3/2',
            '12 kg' => '12',
            '12kg' => '12',
            '½' => null,
            "1'250" => null,
            '3×10^2' => null,
            'twelve' => null,
            '' => null,
            '1,2,3' => null,
            '1/0' => null,
            'NaN' => null,
            'INF' => null,
            '1e400' => null,
            '12 KG' => null,
            'kg 12' => null,
            '1 25' => null,
            '--3' => null,
        ];
        foreach ($cases as $typed => $value) {
            yield $typed => [$typed, $value];
        }
    }

    #[DataProvider('typed')]
    public function test_what_people_type_is_read_exactly(string $typed, ?string $value): void
    {
        $number = (new NumberReader(['kg']))->read($typed);

        self::assertSame($value, $number === null ? null : (string) $number->value);
    }

    public function test_a_locale_with_decimal_comma_reads_the_ambiguous_the_other_way(): void
    {
        $reader = new NumberReader(decimalComma: true);

        self::assertSame('5/4', (string) $reader->read('1,250')?->value);
        self::assertSame('1250', (string) $reader->read('1.250')?->value);
    }

    public function test_ten_thousand_digits_get_an_answer_at_once(): void
    {
        Speed::within(100, static fn () => self::assertNull((new NumberReader())->read(str_repeat('9', 10_000))));
    }

    /** @return iterable<string, array{string, string, bool}> */
    public static function spans(): iterable
    {
        foreach (['14' => true, '14.5' => true, '14.6' => true, '13,4' => true, '14.61' => false] as $typed => $fits) {
            yield "14 within 0.6: $typed" => ['14 within 0.6', (string) $typed, $fits];
        }
        foreach (['245' => true, '255' => true, '255.01' => false] as $typed => $fits) {
            yield "250 within 2 %: $typed" => ['250 within 2 %', (string) $typed, $fits];
        }
        yield 'from end included' => ['12 to 13', '12', true];
        yield 'to end included' => ['12 to 13', '13', true];
        yield 'over leaves out' => ['over 12', '12', false];
        yield 'over and up to' => ['over 12 up to 13', '13', true];
        yield 'but not' => ['11 up to but not 12', '12', false];
        yield 'both ends out' => ['over 12 up to but not 13', '13', false];
        yield 'at least' => ['at least 12', '12', true];
        yield 'under' => ['under 13', '13', false];
        yield 'at most, far below' => ['at most 13', '-1e50', true];
        yield 'a third exactly' => ['1/3', '1/3', true];
        yield 'a third is no decimal' => ['1/3', '0.3333', false];
        yield 'a mixed number' => ['1 1/2', '1.5', true];
        yield 'minus signs of both kinds' => ['−3 to −1', '-2', true];
    }

    #[DataProvider('spans')]
    public function test_a_span_takes_what_lies_in_it(string $span, string $typed, bool $fits): void
    {
        $question = TextQuestions::one("number: How many?\n answer: $span");
        $verdict = (new Marker())->mark(MarkingPlan::of($question, $question->effective()), Response::typed($typed));

        self::assertSame($fits ? 'right' : 'wrong', $verdict->outcome->value);
    }

    public function test_demanded_figures_are_counted_as_typed(): void
    {
        $question = TextQuestions::one("number: How much?\n figures: 2 decimals\n answer: 1.5");
        $plan = MarkingPlan::of($question, $question->effective());
        $outcomes = array_map(static fn (string $typed): string => (new Marker())->mark($plan, Response::typed($typed))->outcome->value, ['1.50', '1.5', '3/2', '1.500']);

        self::assertSame(['right', 'wrong', 'wrong', 'wrong'], $outcomes);
    }

    #[DataProvider('nonsense')]
    public function test_words_that_are_no_span_are_refused_with_what_would_be_right(string $words): void
    {
        $this->expectException(InvalidSetting::class);

        Span::of($words);
    }

    /** @return iterable<int, array{string}> */
    public static function nonsense(): iterable
    {
        foreach (['about 14', '13 to 12', 'over 12 up to but not 12', '14 within -1', '1/0', '', '1e5', '14 kg'] as $words) {
            yield [$words];
        }
    }
}
