<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Marking\Guessing\Guessing;
use Zetema\Core\Marking\Guessing\TooManyToCount;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Response\Response;
use Zetema\Tests\Core\TextQuestions;
use Zetema\Tests\Speed;

/** Whatever is asked, there is an answer or a refusal in good time. */
final class GoodTimeTest extends TestCase
{
    public function test_hostile_input_is_answered_within_100_ms(): void
    {
        $text = "text: T\n typos: 2\n ignore: case, accents, punctuation\n pattern: *a*b*c*d*e*f*z\n" . implode("\n", array_map(static fn (int $i): string => " answer: accepted wording number $i", range(1, 5000)));
        [$question, $plan] = self::question($text);
        (new Marker())->mark($plan, Response::typed('warm'));
        foreach (
            [
                ['text' => str_repeat('abcdef', 1_600)],
                ['text' => 'accepted wordnig number 4999 and some'],
                ['text' => 'acepted wording numbr 4321'],
                ['text' => str_repeat('a', 1_000_000)],
                ['text' => str_repeat("\u{0301}", 5_000)],
            ] as $given
        ) {
            Speed::within(100, static function () use ($plan, $question, $given): void {
                try {
                    (new Marker())->mark($plan, $question->kind->response($given, $question->effective()));
                } catch (\Zetema\Core\Data\Malformed $e) {
                    self::assertSame('text', $e->field);
                }
            });
        }
        [$regions] = self::question("regions: R\n clicks: any\n image: f.svg\n  shows: s\n area yes: rectangle 0 0 9 9");
        $clicks = array_fill(0, 1_000_000, [1, 1]);
        Speed::within(100, static function () use ($regions, $clicks): void {
            try {
                $regions->kind->response(['points' => $clicks], $regions->effective());
                self::fail('a million clicks were taken');
            } catch (\Zetema\Core\Data\Malformed $e) {
                self::assertSame('points', $e->field);
            }
        });
    }

    /** @return iterable<string, array{string, bool}> question, whether it is answered (else it is refused) */
    public static function heavy(): iterable
    {
        $choices = static fn (callable $weight): string => "several: W\n marking: weighed" .
            implode('', array_map(static fn (int $i): string => sprintf("\n yes %s: c%d", is_string($w = $weight($i)) ? $w : '', $i), range(1, 40)));
        $areas = static fn (int $clicks, string $marking): string => "regions: W\n image: a.svg\n  size: 1600 1200\n  shows: s\n clicks: $clicks\n marking: $marking" .
            implode('', array_map(static fn (int $i): string => "\n area yes" . ($marking === 'weighed' ? " $i" : '') . ': polygon ' . $i * 120 . ',10 ' . ($i * 120 + 100) . ',500 ' . $i * 120 . ',1100', range(1, 12)));
        yield 'forty weighed choices' => [$choices(static fn (int $i): string => (string) $i), true];
        yield 'forty weighed choices, any sum different' => [$choices(static fn (int $i): string => $i . '.' . ((($i * 7) % 90) + 10)), false];
        yield 'five clicks on twelve areas' => [$areas(5, 'parts'), true];
        yield 'twelve clicks on twelve areas' => [$areas(12, 'parts'), false];
        yield 'twelve clicks on twelve weighed areas' => [$areas(12, 'weighed'), false];
    }

    #[DataProvider('heavy')]
    public function test_a_guess_is_worked_out_or_refused_in_good_time(string $text, bool $answered): void
    {
        [$question] = self::question($text);
        Speed::within(2_000, static function () use ($question, $answered): void {
            try {
                $rows = (new Guessing())->of($question, $question->effective());
                $sum = array_reduce($rows, static fn (Ratio $sum, array $row): Ratio => $sum->plus($row['chance']), Ratio::zero());
                self::assertTrue($answered && $sum->isEqualTo(1));
            } catch (TooManyToCount $e) {
                self::assertFalse($answered);
                self::assertStringContainsString('in good time', $e->getMessage());
            }
        });
    }

    /** @return array{Question, MarkingPlan} */
    private static function question(string $text): array
    {
        $question = TextQuestions::one($text);

        return [$question, MarkingPlan::of($question, $question->effective())];
    }
}
