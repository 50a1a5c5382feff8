<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Blueprint;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Blueprint\Check\Advice;
use Zetema\Core\Blueprint\Paths\Span;
use Zetema\Core\Blueprint\Paths\Ways;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Reading\Refusal;
use Zetema\Core\Data\Fields;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Question;

/** What can be sat and is hardly meant so is told at its step. */
final class AdviceTest extends TestCase
{
    /**
     * @param array<string, mixed> $document
     *
     * @return list<string>
     */
    private static function on(array $document): array
    {
        $ways = new Ways(BlueprintReader::planned(['v' => 2, 'title' => 'T', ...$document]));
        $before = array_fill(0, count($ways->steps), new Span(1, 1, Points::of('10'), Points::of('10')));

        return array_map(static fn (Refusal $r): string => "$r->where $r->subject", Advice::on($ways, $before, self::question(...)));
    }

    /** A question of the hive; the one with hints has one from the second attempt on, and one after 20 s. */
    private static function question(string $name): Question
    {
        $hints = $name === 'hints' ? ['hints' => [['text' => 'Look again.', 'fromAttempt' => 2], ['text' => 'Still looking?', 'after' => 20]]] : [];

        return Question::fromData(Fields::of(['kind' => 'claim', 'stem' => 'So?', 'choices' => [['id' => 1, 'text' => 'true', 'key' => true], ['id' => 2, 'text' => 'false', 'key' => false]], ...$hints]), $name, [
            'Hive',
            $name,
        ]);
    }

    /**
     * @param list<array<string, mixed>> $whens
     *
     * @return array<string, mixed>
     */
    private static function checkpoint(array $whens): array
    {
        return [
            'sections' => [['id' => 's', 'steps' => [['id' => 'q', 'question' => 'a'], ['id' => 'c', 'checkpoint' => ['routes' => array_map(static fn (array $when): array => ['when' => $when, 'to' => 'end'], $whens)]]]]],
        ];
    }

    /** @return iterable<string, array{list<array<string, mixed>>, list<string>}> conditions, what is told */
    public static function conditions(): iterable
    {
        $points = static fn (string $is, string|array $value, mixed $of = 'all'): array => ['points' => $of, 'is' => $is, 'value' => $value];
        yield 'high and low' => [[$points('>=', '5')], []];
        yield 'a part of what went before' => [[$points('>=', '5'), $points('>=', '7')], ['c dead']];
        yield 'more than went before' => [[$points('>=', '7'), $points('>=', '5')], []];
        yield 'all there is' => [[$points('>=', '5'), $points('<', '5')], ['c otherwise']];
        yield 'all but one value' => [[$points('>', '5'), $points('<', '5')], []];
        yield 'both ends of one in between' => [[$points('between', ['2', '5']), $points('between', ['3', '4'])], ['c dead']];
        yield 'between, and over its end' => [[$points('between', ['2', '5']), $points('between', ['3', '6'])], []];
        yield 'two that cover a third together' => [[$points('<=', '3'), $points('>=', '3'), $points('=', '7')], ['c dead', 'c otherwise']];
        yield 'another scope is another matter' => [[$points('>=', '5'), $points('>=', '7', ['section' => 's'])], []];
        yield 'more than there is' => [[$points('>=', '11')], ['c never']];
        yield 'just what there is' => [[$points('>=', '10')], []];
        yield 'over all there is' => [[$points('>', '10')], ['c never']];
        yield 'over a hundred percent' => [[['percent' => 'all', 'is' => '>', 'value' => '100']], ['c never']];
        yield 'tallies' => [[['tally' => 't', 'is' => '>=', 'value' => '5'], ['tally' => 't', 'is' => '=', 'value' => '6'], ['tally' => 'u', 'is' => '=', 'value' => '6']], ['c dead']];
        yield 'what has no numbers' => [[['outcome' => 'a', 'is' => ['right']], ['outcome' => 'a', 'is' => ['right']]], []];
    }

    /**
     * @param list<array<string, mixed>> $whens
     * @param list<string> $told
     */
    #[DataProvider('conditions')]
    public function test_routes_that_nobody_takes(array $whens, array $told): void
    {
        self::assertSame($told, self::on(self::checkpoint($whens)));
    }

    public function test_dead_routes_are_those_that_no_value_takes(): void
    {
        for ($seed = 1; $seed <= 200; ++$seed) {
            $chance = new Chance($seed);
            $whens = [];
            for ($i = 0; $i < 3; ++$i) {
                $low = $chance->below(9);
                $sign = ['>=', '>', '<=', '<', '=', 'between'][$chance->below(6)];
                $whens[] = ['points' => 'all', 'is' => $sign, 'value' => $sign === 'between' ? [(string) $low, (string) ($low + $chance->below(4))] : (string) $low];
            }
            // Halves lie between all ends, so that they and the ends are all the cases there are.
            $taken = [];
            for ($half = -4; $half <= 40; ++$half) {
                $value = $half / 2;
                foreach ($whens as $i => $when) {
                    [$from, $to] = is_array($when['value']) ? array_map(intval(...), $when['value']) : [(int) $when['value'], (int) $when['value']];
                    $holds = match ($when['is']) {
                        '>=' => $value >= $from,
                        '>' => $value > $from,
                        '<=' => $value <= $from,
                        '<' => $value < $from,
                        '=' => $value === (float) $from || $value === $from,
                        default => $value >= $from && $value <= $to,
                    };
                    if ($holds) {
                        $taken[$i] = true;
                        continue 2;
                    }
                }
                $taken['otherwise'] = true;
            }
            $dead = count(array_filter(array_keys($whens), static fn (int $i): bool => !isset($taken[$i])));
            $told = array_count_values(self::on(self::checkpoint($whens)));
            self::assertSame([$dead, isset($taken['otherwise'])], [$told['c dead'] ?? 0, !isset($told['c otherwise'])], (string) json_encode($whens));
        }
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>}> document, what is told */
    public static function others(): iterable
    {
        /** @return array<string, mixed> */
        $asks = static fn (array $step, ?array $pass = null): array => ['pass' => $pass ?? ['percent' => '60'], 'sections' => [['id' => 's', 'steps' => [['id' => 'x', ...$step]]]]];
        yield 'a further attempt in a time' => [$asks(['question' => 'a', 'settings' => ['attempts' => '2', 'time' => '60 s']]), ['x loses']];
        yield 'the best of them' => [$asks(['question' => 'a', 'settings' => ['attempts' => '2', 'time' => '60 s', 'stands' => 'best']]), []];
        yield 'one attempt in a time' => [$asks(['question' => 'a', 'settings' => ['time' => '60 s']]), []];
        yield 'hints, and two attempts' => [$asks(['question' => 'hints', 'settings' => ['attempts' => '2']]), []];
        yield 'hints, and any number of attempts' => [$asks(['question' => 'hints', 'settings' => ['attempts' => 'unlimited']]), []];
        yield 'a hint with the second of one attempt' => [$asks(['question' => 'hints']), ['x attempts 2']];
        yield 'two attempts that the whole gives' => [[...$asks(['question' => 'hints']), 'settings' => ['attempts' => '2']], []];
        yield 'two attempts where nothing is told before the end' => [[...$asks(['question' => 'hints', 'settings' => ['attempts' => '2']]), 'rules' => ['feedback' => 'at the end']], ['x hint']];
        yield 'a hint after the time is over' => [$asks(['question' => 'hints', 'settings' => ['attempts' => '2', 'time' => '20 s', 'stands' => 'best']]), ['x hint']];
        yield 'a hint just before it is over' => [$asks(['question' => 'hints', 'settings' => ['attempts' => '2', 'time' => '21 s', 'stands' => 'best']]), []];
        yield 'attempts without a time' => [$asks(['draw' => ['take' => 1, 'pool' => []], 'settings' => ['attempts' => 'unlimited']]), []];
    }

    /**
     * @param array<string, mixed> $document
     * @param list<string> $told
     */
    #[DataProvider('others')]
    public function test_minimums_and_attempts(array $document, array $told): void
    {
        self::assertSame($told, self::on($document));
    }
}
