<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Question;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Zetema\Core\Question\Answers\Area;
use Zetema\Core\Question\Kinds\Regions\Overlap;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Tests\Speed;

final class AreaTest extends TestCase
{
    /** @return iterable<string, array{string, int, int, bool}> */
    public static function points(): iterable
    {
        yield 'a rectangle’s corner belongs to it' => ['rectangle 10 10 5 5', 15, 15, true];
        yield 'one pixel beyond does not' => ['rectangle 10 10 5 5', 16, 15, false];
        yield 'an ellipse’s far end' => ['ellipse 50 50 20 10', 70, 50, true];
        yield 'a little beside it' => ['ellipse 50 50 20 10', 70, 51, false];
        yield 'a corner of its box' => ['ellipse 50 50 20 10', 69, 59, false];
        yield 'inside a triangle' => ['polygon 0,0 10,0 0,10', 3, 3, true];
        yield 'on its slanted side' => ['polygon 0,0 10,0 0,10', 5, 5, true];
        yield 'beyond its slanted side' => ['polygon 0,0 10,0 0,10', 6, 5, false];
        yield 'on a corner' => ['polygon 0,0 10,0 0,10', 10, 0, true];
        yield 'in the notch of a hollow shape' => ['polygon 0,0 10,0 10,10 5,2 0,10', 5, 8, false];
        yield 'in its leg' => ['polygon 0,0 10,0 10,10 5,2 0,10', 1, 7, true];
        yield 'level with a corner, outside' => ['polygon 5,0 10,5 5,10 0,5', 11, 5, false];
        yield 'level with a corner, inside' => ['polygon 5,0 10,5 5,10 0,5', 5, 5, true];
    }

    #[DataProvider('points')]
    public function test_which_pixels_belong_to_an_area(string $words, int $x, int $y, bool $belongs): void
    {
        self::assertSame($belongs, Area::of($words)->contains($x, $y));
    }

    public function test_an_area_is_written_as_it_was_read_and_knows_its_box(): void
    {
        foreach (['ellipse 420 310 60 40' => [360, 270, 480, 350], 'rectangle 10 10 100 80' => [10, 10, 110, 90], 'polygon 10,200 90,210 60,280' => [10, 200, 90, 280]] as $words => $box) {
            self::assertSame($words, Area::of($words)->inWords());
            self::assertSame($box, Area::of($words)->box());
        }
    }

    /** @return iterable<int, array{string}> */
    public static function noAreas(): iterable
    {
        foreach (['circle 1 2 3', 'rectangle 1 2 3', 'rectangle 1 2 0 4', 'polygon 1,1 2,2', 'polygon 1,1 2,2 3', 'ellipse a b c d', 'rectangle -1 0 5 5', ''] as $words) {
            yield [$words];
        }
    }

    #[DataProvider('noAreas')]
    public function test_what_is_no_area_is_refused(string $words): void
    {
        $this->expectException(InvalidSetting::class);

        Area::of($words);
    }

    /** @return iterable<string, array{string}> */
    public static function shapes(): iterable
    {
        yield 'rectangle' => ['rectangle 3 4 10 5'];
        yield 'ellipse' => ['ellipse 20 15 13 9'];
        yield 'flat ellipse' => ['ellipse 20 15 19 1'];
        yield 'triangle' => ['polygon 2,2 30,7 11,28'];
        yield 'a corner on a row' => ['polygon 5,5 15,15 25,5 15,25'];
        yield 'flat top and bottom' => ['polygon 5,5 25,5 20,20 10,20'];
        yield 'crossing itself' => ['polygon 2,2 28,28 28,2 2,28'];
        yield 'a line' => ['polygon 3,3 20,3 10,3'];
        yield 'a spike' => ['polygon 3,3 30,4 3,5'];
        foreach (range(1, 25) as $seed) {
            $chance = new \Zetema\Core\Drawing\Chance($seed);
            $corners = array_map(static fn (): string => $chance->below(40) . ',' . $chance->below(30), range(1, 3 + $chance->below(6)));
            yield "polygon $seed" => ['polygon ' . implode(' ', $corners)];
        }
    }

    #[DataProvider('shapes')]
    public function test_the_runs_of_every_row_are_just_the_pixels_it_contains(string $words): void
    {
        $area = Area::of($words);
        $rows = iterator_to_array($area->rows(-1, 32));
        for ($y = -1; $y <= 32; ++$y) {
            $row = str_repeat('.', 60);
            foreach ($rows[$y] ?? [] as [$from, $to]) {
                $row = substr_replace($row, str_repeat('#', $to - $from + 1), $from, $to - $from + 1);
            }
            $asked = implode('', array_map(static fn (int $x): string => $area->contains($x, $y) ? '#' : '.', range(0, 59)));

            self::assertSame($asked, $row, "row $y");
        }
    }

    /** @return iterable<string, array{list<string>, array{int, int}|null}> areas, the first pixel that two share */
    public static function pairs(): iterable
    {
        yield 'apart' => [['rectangle 0 0 10 10', 'rectangle 11 0 10 10'], null];
        yield 'at a border, which belongs to both' => [['rectangle 0 0 10 10', 'rectangle 10 5 10 10'], [10, 5]];
        yield 'boxes meet, areas do not' => [['polygon 0,0 20,0 0,20', 'polygon 20,20 20,2 2,20'], null];
        yield 'one within another' => [['ellipse 50 50 40 40', 'rectangle 48 48 3 3'], [48, 48]];
        yield 'the second and the third' => [['rectangle 0 0 5 5', 'rectangle 40 40 5 5', 'ellipse 45 45 3 3'], [45, 42]];
    }

    /**
     * @param list<string> $areas
     * @param array{int, int}|null $pixel
     */
    #[DataProvider('pairs')]
    public function test_areas_that_overlap_are_found_with_a_pixel(array $areas, ?array $pixel): void
    {
        self::assertSame($pixel, Overlap::find(array_map(Area::of(...), $areas), 100, 100));
    }

    public function test_large_areas_are_compared_or_refused_within_a_second(): void
    {
        $comb = static fn (int $x): string => 'polygon ' . implode(' ', array_map(static fn (int $i): string => $x + ($i % 2) * 5 . ',' . $i * 80, range(0, 99))) . " $x,7999";
        $many = array_map(static fn (int $i): string => $comb(200 * $i), range(0, 39));
        // Teeth of one comb between those of the other: they never meet, and every row crosses all of them.
        $teeth = static fn (int $from, int $to, int $shift): string => 'polygon ' .
            implode(
                ' ',
                array_map(
                    static fn (int $i): string => implode(
                        ' ',
                        array_map(static fn (array $p): string => implode(',', $p), [[400 * $i + $shift, $from], [400 * $i + $shift, $to], [400 * $i + $shift + 60, $to], [400 * $i + $shift + 60, $from]]),
                    ),
                    range(0, 46),
                ),
            );
        foreach (
            [
                [$teeth(0, 7980, 0), $teeth(7999, 20, 200)],
                ['rectangle 0 0 7999 3999', 'rectangle 0 4000 7999 3999'],
                ['polygon 0,0 7999,0 0,7999', 'polygon 7999,7999 7999,2 2,7999'],
                ['ellipse 2000 4000 1999 3999', 'ellipse 6000 4000 1999 3999'],
                array_map(static fn (int $i): string => "polygon $i,0 $i,7999 " . ($i + 1) . ',4000', range(0, 78, 2)),
                $many,
                array_fill(0, 40, 'ellipse 60000 60000 40000 40000'),
            ] as $n => $areas
        ) {
            Speed::within(
                1_500,
                static function () use ($areas): void {
                    try {
                        Overlap::find(array_map(Area::of(...), $areas), null, null);
                    } catch (\Zetema\Core\Question\InvalidQuestion $e) {
                        self::assertStringContainsString('good time', $e->getMessage());
                    }
                },
                "areas $n",
            );
        }
    }
}
