<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Blueprint;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Blueprint\Guessing\GuessedPass;
use Zetema\Core\Blueprint\Reading\BlueprintReader;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Question;
use Zetema\Tests\Core\TextQuestions;

/** How likely one passes who only guesses: with routes, the floor and minimums of objectives; exact, or between bounds that hold for every form. */
final class GuessedPassTest extends TestCase
{
    /** Questions of two objectives: h1 to h4 claims (1/2), q1 to q3 of four choices (1/4); "dear" takes 2 points where it is wrong. */
    private const BANK = [
        'h1' => ['Hives', 'claim'],
        'h2' => ['Hives', 'claim'],
        'h3' => ['Hives', 'claim'],
        'h4' => ['Hives', 'claim'],
        'q1' => ['Queens', 'one'],
        'q2' => ['Queens', 'one'],
        'q3' => ['Queens', 'one'],
        'dear' => ['Hives', 'dear'],
    ];

    /** @return iterable<string, array{list<array<string, mixed>>, array<string, mixed>, string, string}> steps, pass mark and rules, least, most */
    public static function papers(): iterable
    {
        $fixed = static fn (string ...$names): array => array_map(static fn (string $name): array => ['id' => "f$name", 'question' => $name], array_values($names));
        $draw = static fn (string $id, int $take, string ...$only): array => ['id' => $id, 'draw' => ['take' => $take, 'pool' => ['only' => $only]]];
        $pass = static fn (string $percent, string ...$objectives): array => [
            'pass' => ['percent' => $percent, ...$objectives === [] ? [] : ['objectives' => [['objective' => $objectives[0], 'percent' => $objectives[1]]]]],
        ];
        yield 'all alike is exact' => [[$draw('d', 2, 'h1', 'h2', 'h3')], $pass('100'), '1/4', '1/4'];
        yield 'one of two' => [$fixed('h1', 'q1'), $pass('50'), '5/8', '5/8'];
        yield 'some are guessed more easily' => [[$draw('d', 1, 'h1', 'q1')], $pass('100'), '1/4', '1/2'];
        yield 'two of them' => [[$draw('d', 2, 'h1', 'q1', 'q2')], $pass('100'), '1/16', '1/4'];
        yield 'a minimum must be guessed too' => [$fixed('h1', 'h2', 'q1'), $pass('50', 'Queens', '100'), '3/16', '3/16'];
        yield 'a minimum of what is asked alone' => [$fixed('h1', 'h2'), $pass('50', 'Queens', '100'), '3/4', '3/4'];
        yield 'a minimum that nobody reaches' => [$fixed('h1', 'h2'), [...$pass('0'), 'pass' => ['points' => '0', 'objectives' => [['objective' => 'Hives', 'points' => '3']]]], '0', '0'];
        yield 'a draw that takes of both objectives lies between its shares' => [[$draw('d', 2, 'h1', 'h2', 'q1', 'q2')], $pass('50', 'Queens', '50'), '1/4', '3/4'];
        yield 'the floor keeps a total at 0' => [$fixed('dear'), ['pass' => ['points' => '0']], '1', '1'];
        yield 'without a floor it is below' => [$fixed('dear'), ['pass' => ['points' => '0'], 'rules' => ['floor' => 'none']], '1/2', '1/2'];
        $route = static fn (string $sign, string $value, string $to): array => ['id' => 'way', 'checkpoint' => ['routes' => [['when' => ['points' => 'all', 'is' => $sign, 'value' => $value], 'to' => $to]]]];
        yield 'who is right at once goes to the end' => [[...$fixed('h1'), $route('>=', '1', 'end'), ...$fixed('q1')], $pass('50'), '5/8', '5/8'];
        yield 'who is right must go on' => [[...$fixed('h1'), $route('<', '1', 'end'), ...$fixed('q1')], $pass('100'), '1/8', '1/8'];
        yield 'a section is looked at' => [
            [...$fixed('h1', 'h2'), ['id' => 'way', 'checkpoint' => ['routes' => [['when' => ['not' => ['percent' => ['section' => 's'], 'is' => '>=', 'value' => '50']], 'to' => 'end']]]], ...$fixed('q1')],
            $pass('60'),
            '3/8',
            '3/8',
        ];
    }

    /**
     * @param list<array<string, mixed>> $steps
     * @param array<string, mixed> $more
     */
    #[DataProvider('papers')]
    public function test_the_chance_is_what_counting_all_guesses_gives(array $steps, array $more, string $least, string $most): void
    {
        $told = self::guessed($steps, $more);
        self::assertIsArray($told);
        self::assertSame([$least, $most], [(string) $told['least'], (string) $told['most']]);
    }

    /** @return iterable<string, array{list<array<string, mixed>>, array<string, mixed>, string}> */
    public static function untold(): iterable
    {
        $way = static fn (array $when): array => ['id' => 'way', 'checkpoint' => ['routes' => [['when' => $when, 'to' => 'end']]]];
        $last = ['id' => 'l', 'question' => 'q3'];
        yield 'no pass mark' => [[['id' => 'a', 'question' => 'h1']], ['pass' => null], 'there is no pass mark'];
        yield 'by an outcome' => [[['id' => 'a', 'question' => 'h1'], $way(['outcome' => 'h1', 'is' => ['right']]), $last], [], 'the way divides by what is answered, not by points alone'];
        yield 'a mixed draw and a route' => [
            [['id' => 'd', 'draw' => ['take' => 1, 'pool' => ['only' => ['h1', 'q1']]]], $way(['points' => 'all', 'is' => '>=', 'value' => '1']), $last],
            [],
            'the way divides, and a draw takes questions that are not guessed alike',
        ];
    }

    /**
     * @param list<array<string, mixed>> $steps
     * @param array<string, mixed> $more
     */
    #[DataProvider('untold')]
    public function test_where_it_cannot_be_told_exactly_it_says_why(array $steps, array $more, string $why): void
    {
        self::assertSame($why, self::guessed($steps, $more));
    }

    /**
     * @param list<array<string, mixed>> $steps
     * @param array<string, mixed> $more
     *
     * @return array{least: \Zetema\Core\Numbers\Ratio, most: \Zetema\Core\Numbers\Ratio}|string
     */
    private static function guessed(array $steps, array $more): array|string
    {
        $document = array_filter(['v' => 2, 'title' => 'T', 'pass' => ['percent' => '50'], 'sections' => [['id' => 's', 'steps' => $steps]], ...$more], static fn (mixed $part): bool => $part !== null);
        $eligible = array_map(
            static fn (string $name, array $of): EligibleQuestion => new EligibleQuestion($name, $of[1] === 'one' ? 'one' : 'claim', [$of[0]], [], null, Points::of('1')),
            array_keys(self::BANK),
            self::BANK,
        );

        return GuessedPass::of(BlueprintReader::planned($document), $eligible, static fn (string $name): array => [self::question($name), null]);
    }

    private static function question(string $name): Question
    {
        [$objective, $kind] = self::BANK[$name];

        return TextQuestions::one(
            match ($kind) {
                'one' => "objective: $objective\none: Which?\n  name: $name\n  yes: a\n  no: b\n  no: c\n  no: d",
                'dear' => "objective: $objective\ntrue: Costly.\n  name: $name\n  wrong costs: 2",
                default => "objective: $objective\ntrue: So it is.\n  name: $name",
            },
        );
    }
}
