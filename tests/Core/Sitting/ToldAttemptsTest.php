<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Sitting;

use PHPUnit\Framework\Attributes\DataProvider;

/** What is told of each attempt, from which it can be reckoned how a question did. */
final class ToldAttemptsTest extends SatCase
{
    /** @return iterable<string, array{list<array<string, mixed>>, string, string, list<array<string, mixed>>}> steps, events, the question, of each attempt what is looked at */
    public static function attempts(): iterable
    {
        $trim = [self::set('trim', ['attempts' => '3', 'attempt costs' => '0', 'time' => '60 s', 'late' => 'blank'])];

        yield 'as it was given' => [
            $trim,
            '0 start; 5 check trim {"choose":[2]}; 7 check trim {"choose":[1]}',
            'trim',
            [
                ['response' => ['choose' => [2]], 'counts' => true, 'hints' => 0, 'lost' => '0', 'reason' => 'checked'],
                ['response' => ['choose' => [1]], 'counts' => true, 'hints' => 0, 'lost' => '0', 'reason' => 'checked'],
            ],
        ];
        yield 'with the hints that were open then' => [
            $trim,
            '0 start; 5 check trim {"choose":[3]}; 6 hint trim; 7 check trim {"choose":[1]}',
            'trim',
            [['hints' => 0, 'lost' => '0'], ['hints' => 1, 'lost' => '1', 'earned' => '3']],
        ];
        yield 'hints take nothing off a wrong one' => [$trim, '0 start; 6 hint trim; 7 check trim {"choose":[3]}; 8 go on', 'trim', [['hints' => 1, 'lost' => '0']]];
        yield 'too late' => [$trim, '0 start; 5 save trim {"choose":[1]}', 'trim', [['response' => ['choose' => [1]], 'counts' => false, 'reason' => 'ran out', 'earned' => '0']]];
        yield 'left with something saved' => [[self::q('trim')], '0 start; 5 save trim {"choose":[1]}; 6 go on', 'trim', [['reason' => 'left', 'counts' => true]]];
        yield 'left with nothing' => [[self::q('trim')], '0 start; 6 go on', 'trim', []];
        yield 'parts that fitted' => [[self::q('crew')], '0 start; 5 check crew {"pairs":{"1":"1","2":"3"}}', 'crew', [['fits' => '1']]];
    }

    /**
     * @param list<array<string, mixed>> $steps
     * @param list<array<string, mixed>> $attempts
     */
    #[DataProvider('attempts')]
    public function test_each_tells_what_was_given_and_what_it_cost(array $steps, string $events, string $question, array $attempts): void
    {
        $sat = self::sat(self::plan($steps), $events, ['now' => '60']);
        $expected = [];
        $number = 0;
        foreach ($attempts as $attempt) {
            foreach ($attempt as $field => $value) {
                $expected["steps.$question.attempts.$number.$field"] = $value;
            }
            ++$number;
        }

        self::assertCame($expected, $sat);
        self::assertCame(["steps.$question.attempts.$number" => null], $sat);
    }

    public function test_the_time_it_took_is_told_where_that_is_time_spent_on_it(): void
    {
        $forward = self::sat(self::plan([self::q('trim'), self::q('oar')]), '0 start; 5 check trim {"choose":[1]}; 8 go on', ['now' => '100']);
        $free = self::sat(self::plan([self::q('trim')], ['rules' => ['moving' => 'any order']]), '0 start; 5 check trim {"choose":[1]}', ['now' => '100']);

        self::assertCame(['steps.trim.took' => '5', 'steps.oar.took' => null], $forward);
        self::assertCame(['steps.trim.took' => null], $free);
    }
}
