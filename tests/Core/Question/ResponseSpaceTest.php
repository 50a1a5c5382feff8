<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Question;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Answers\Area;
use Zetema\Core\Question\Response\ChosenChoices;
use Zetema\Core\Question\Response\ClickedPoints;
use Zetema\Core\Question\Response\FilledParts;
use Zetema\Core\Question\Response\OrderedItems;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseSpace;
use Zetema\Core\Question\Response\Space\Arrangements;
use Zetema\Core\Question\Response\Space\Clicks;
use Zetema\Core\Question\Response\Space\IndependentParts;
use Zetema\Core\Question\Response\Space\Injections;
use Zetema\Core\Question\Response\Space\Subsets;
use Zetema\Core\Question\Response\Space\TypedFreely;
use Zetema\Core\Question\Response\Space\Ways;
use Zetema\Core\Question\Response\TypedText;
use Zetema\Core\Question\Scoring\Criterion;

/** The responses that there are, what each is, and what is sought in them. */
final class ResponseSpaceTest extends TestCase
{
    /** @return iterable<string, array{ResponseSpace, int, int}> a space, how many responses, how many with partial ones */
    public static function spaces(): iterable
    {
        yield 'one of four' => [new Subsets([3, 1, 4, 9], 1, 1), 4, 4];
        yield 'any number of four' => [new Subsets([1, 2, 3, 4], 1, 4), 15, 15];
        yield 'two of four' => [new Subsets([1, 2, 3, 4], 2, 2), 6, 6];
        yield 'at most two of four' => [new Subsets([1, 2, 3, 4], 1, 2), 10, 10];
        yield 'more than there are' => [new Subsets([1, 2], 3, 3), 0, 0];
        yield 'two lists' => [new IndependentParts('gaps', [1 => ['1', '2'], 2 => ['1', '2', '3']]), 6, 12];
        yield 'two items, which may be left' => [new IndependentParts('groups', [5 => ['', '1', '2'], 8 => ['', '1', '2']]), 9, 9];
        yield 'as many targets as parts' => [Injections::of('pairs', ['1', '2', '3'], 4, 7, 9), 6, 34];
        yield 'a spare target' => [Injections::of('pairs', ['1', '2', '3'], 1, 2), 6, 13];
        yield 'a spare label' => [Injections::of('place', ['1', '2'], 1, 2, 3), 6, 13];
        yield 'three items' => [new Arrangements([5, 6, 7]), 6, 6];
        yield 'one item' => [new Arrangements([5]), 1, 1];
        yield 'typed' => [new TypedFreely(), 0, 0];
    }

    #[DataProvider('spaces')]
    public function test_all_are_listed_once_and_counted_without_listing(ResponseSpace $space, int $count, int $withPartial): void
    {
        foreach ([[false, $count], [true, $withPartial]] as [$partial, $expected]) {
            $seen = array_map(static fn (Response $r): string => (string) json_encode($r->toData()), iterator_to_array($space->all($partial), false));

            self::assertCount($expected, $seen);
            self::assertSame($seen, array_values(array_unique($seen)));
            self::assertSame($expected, $space->count($partial));
        }
    }

    /** @return iterable<string, array{ResponseSpace}> */
    public static function tooMany(): iterable
    {
        yield 'fifty choices' => [new Subsets(range(1, 50), 1, 50)];
        yield 'clicks' => [new Clicks(1, 100, 100)];
        yield 'thirty items in order' => [new Arrangements(range(1, 30))];
        yield 'thirty labels for thirty spots' => [Injections::of('place', array_map(strval(...), range(1, 30)), ...range(1, 30))];
        yield 'sixty gaps of ten' => [new IndependentParts('gaps', array_fill(1, 60, array_map(strval(...), range(1, 10))))];
    }

    #[DataProvider('tooMany')]
    public function test_too_many_to_list_are_told_without_listing(ResponseSpace $space): void
    {
        self::assertSame(PHP_INT_MAX, $space->count());
        self::assertSame(PHP_INT_MAX, $space->count(partial: true));
    }

    public function test_ways_never_run_over(): void
    {
        self::assertSame([1, 4, 6, 4, 1], array_map(static fn (int $k): int => Ways::choose(4, $k), range(0, 4)));
        self::assertSame([1, 5, 20, 120], array_map(static fn (int $k): int => Ways::falling(5, $k), [0, 1, 2, 5]));
        self::assertSame(0, Ways::product(PHP_INT_MAX, 9, 0));
        self::assertSame(PHP_INT_MAX, Ways::product(PHP_INT_MAX, 2));
        self::assertSame(PHP_INT_MAX, Ways::sum(PHP_INT_MAX - 1, 2));
        self::assertSame(PHP_INT_MAX, Ways::choose(200, 100));
    }

    /** @return iterable<string, array{Response, array<string, mixed>|null}> a response, its data */
    public static function responses(): iterable
    {
        yield 'choices, rising' => [Response::choosing([3, 1]), ['choose' => [1, 3]]];
        yield 'no choice' => [Response::choosing([]), null];
        yield 'a text as typed' => [Response::typed(' the mite '), ['text' => ' the mite ']];
        yield 'blanks of any sort' => [Response::typed(" \u{00A0}\u{2003}\n"), null];
        yield 'parts, without empty ones' => [Response::mapping('gaps', [2 => 'eggs', 1 => ' ']), ['gaps' => ['2' => 'eggs']]];
        yield 'no part' => [Response::mapping('pairs', [1 => '']), null];
        yield 'an order' => [Response::ordering([2, 1]), ['order' => [2, 1]]];
        yield 'clicks' => [Response::clicking([[1, 2]]), ['points' => [[1, 2]]]];
        yield 'no click' => [Response::clicking([]), null];
    }

    /** @param array<string, mixed>|null $data */
    #[DataProvider('responses')]
    public function test_a_response_is_of_one_sort_and_knows_nothing_of_the_others(Response $response, ?array $data): void
    {
        self::assertSame(json_encode($data), json_encode($response->toData()));
        self::assertSame($data === null, $response->isBlank());
        $given = array_filter(
            [ChosenChoices::in($response), TypedText::in($response), FilledParts::in($response), OrderedItems::in($response), ClickedPoints::in($response)],
            static fn (mixed $part): bool => $part !== [] && $part !== null,
        );

        self::assertCount($data === null ? 0 : 1, $given);
    }

    /** @return iterable<string, array{string}> the data of what is sought */
    public static function sought(): iterable
    {
        yield 'a choice' => ['{"chosen":2}'];
        yield 'a choice left alone' => ['{"left":3}'];
        yield 'a wording' => ['{"n":1,"wording":"varroa"}'];
        yield 'a wording of a gap' => ['{"part":2,"n":1,"wording":"eggs"}'];
        yield 'a pattern' => ['{"n":2,"pattern":"v*a"}'];
        yield 'a span with two ends' => ['{"n":1,"from":"27\/2","fromIncluded":true,"to":"15","toIncluded":false}'];
        yield 'a span without an end' => ['{"n":1,"from":"12","fromIncluded":false,"to":null,"toIncluded":false}'];
        yield 'a part that takes some' => ['{"part":4,"takes":["1","3"]}'];
        yield 'a part that takes anything else' => ['{"part":4,"takes":null}'];
        yield 'an item at a place' => ['{"place":1,"items":[5,6]}'];
        yield 'an item after another' => ['{"after":[5],"items":[6]}'];
        yield 'an area' => ['{"n":1,"shape":"rectangle","numbers":[1,2,3,4],"key":true}'];
        yield 'beside all areas' => ['{"outside":true}'];
    }

    #[DataProvider('sought')]
    public function test_what_is_sought_is_read_and_written_the_same(string $find): void
    {
        $data = ['find' => json_decode($find, true), 'right' => '1/2', 'weight' => '-3'];

        self::assertSame(json_encode($data), json_encode(Criterion::fromData(Fields::of($data))->toData()));
    }

    /** @return iterable<string, array{string}> */
    public static function nothingSought(): iterable
    {
        yield 'nothing' => ['{}'];
        yield 'something else' => ['{"colour":"red"}'];
        yield 'a choice that is a word' => ['{"chosen":"two"}'];
        yield 'an area without numbers' => ['{"n":1,"shape":"ellipse","key":true}'];
        yield 'a span whose end is a list' => ['{"n":1,"from":[],"fromIncluded":true,"toIncluded":true}'];
    }

    #[DataProvider('nothingSought')]
    public function test_a_plan_that_seeks_what_is_not_known_is_refused(string $find): void
    {
        $this->expectException(Malformed::class);
        Criterion::fromData(Fields::of(['find' => json_decode($find)]));
    }

    public function test_a_point_of_an_area_lies_in_it(): void
    {
        foreach (['ellipse 50 40 10 5', 'rectangle 0 0 3 3', 'polygon 0,0 100,0 100,10 10,10 10,100 0,100', 'ellipse 3 3 1 1'] as $words) {
            $area = Area::of($words);
            self::assertTrue($area->contains(...$area->somePoint()), $words);
        }
    }
}
