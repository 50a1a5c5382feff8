<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Blueprint;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Blueprint\Check\TrustedNames;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Blueprint\Reading\Refusal;
use Zetema\Core\Drawing\Chance;

/** Random running orders that can be sat are found in order; of each fault planted in them the place and the kind are told. */
final class PlantedFaultsTest extends TestCase
{
    /** @return list<array<string, mixed>> steps that can be sat: ways lead forward only, and every step is come to */
    private static function steps(Chance $chance): array
    {
        $count = 6 + $chance->below(8);
        $steps = [];
        for ($i = 0; $i < $count; ++$i) {
            $later = static fn (): string => $i + 2 < $count ? 's' . ($i + 2 + $chance->below(max(1, $count - $i - 2))) : 'end';
            $steps[] = [
                'id' => "s$i",
                ...match ($chance->below(4)) {
                    0 => ['page' => 'a page'],
                    1 => ['draw' => ['take' => 1, 'pool' => ['kinds' => ['one']]]],
                    2 => ['checkpoint' => ['routes' => [['when' => ['points' => 'all', 'is' => '>=', 'value' => (string) $chance->below(9)], 'to' => $later()]]]],
                    default => ['question' => "question $i"],
                },
            ];
        }

        return $steps;
    }

    /**
     * @param list<array<string, mixed>> $steps
     *
     * @return list<string>
     */
    private static function found(array $steps): array
    {
        $findings = BlueprintReader::findings(['v' => 2, 'title' => 'T', 'sections' => [['id' => 'all', 'steps' => $steps]]], new TrustedNames());

        return array_map(static fn (Refusal $r): string => "$r->where $r->subject", $findings);
    }

    public function test_two_hundred_that_can_be_sat_are_told_nothing(): void
    {
        for ($seed = 1; $seed <= 200; ++$seed) {
            self::assertSame([], self::found(self::steps(new Chance($seed))), "order $seed");
        }
    }

    /** @return iterable<string, array{list<array<string, mixed>>, list<array<string, mixed>>, list<string>}> what is put in at a place, what at the end, and what must be told */
    public static function faults(): iterable
    {
        $way = static fn (string $to, string $otherwise = 'next'): array => [
            'id' => 'x',
            'checkpoint' => ['routes' => [['when' => ['points' => 'all', 'is' => '>=', 'value' => '1'], 'to' => $to]], 'otherwise' => $otherwise],
        ];
        $on = static fn (array $condition): array => ['id' => 'x', 'checkpoint' => ['routes' => [['when' => $condition, 'to' => 'end']]]];
        yield 'a way back' => [[$way('s0')], [], ['x to']];
        yield 'a way to itself' => [[$way('x')], [], ['x to']];
        yield 'a way to nowhere' => [[$way('gone')], [], ['x unknown']];
        yield 'a page that leads back' => [[['id' => 'x', 'page' => 'a', 'then' => 's0']], [], ['x to']];
        yield 'otherwise to nowhere' => [[$way('end', 'gone')], [], ['x unknown']];
        yield 'a step that all ways pass by' => [[], [['id' => 'x', 'page' => 'a', 'then' => 'end'], ['id' => 'y', 'page' => 'b']], ['y reach']];
        yield 'a question that stands there twice' => [[['id' => 'x', 'question' => 'the same'], ['id' => 'y', 'question' => 'the same']], [], ['y twice']];
        yield 'a refresher without a page' => [[['id' => 'x', 'question' => 'other', 'settings' => ['attempts' => 'unlimited'], 'refresher' => ['pages' => ['a']]]], [], ['x refresher']];
        yield 'a condition on what comes after' => [[$on(['outcome' => 'the last', 'is' => ['right']])], [['id' => 'y', 'question' => 'the last']], ['x condition']];
        yield 'a tally that nobody counts' => [[$on(['tally' => 't', 'is' => '>=', 'value' => '1'])], [], ['x unknown']];
    }

    /**
     * @param list<array<string, mixed>> $put at a place of the order
     * @param list<array<string, mixed>> $last at its end
     * @param list<string> $told
     */
    #[DataProvider('faults')]
    public function test_each_fault_is_found_at_its_place_in_two_hundred_orders(array $put, array $last, array $told): void
    {
        for ($seed = 1; $seed <= 200; ++$seed) {
            $chance = new Chance($seed);
            $steps = self::steps($chance);
            array_splice($steps, 1 + $chance->below(max(1, count($steps) - 1)), 0, $put);
            self::assertSame($told, self::found([...$steps, ...$last]), "order $seed");
        }
    }
}
