<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Variables;

use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\Area;

/** A shape of the standard, as an area of ours: whole pixels of a picture. */
final class Shape
{
    /**
     * @param array{int, int} $size of the picture
     *
     * @return Area|null null where its numbers are none
     */
    public static function area(string $shape, string $coords, array $size): ?Area
    {
        if ($shape === 'default') {
            return Area::fromPlan('rectangle', [0, 0, $size[0], $size[1]]);
        }
        $numbers = [];
        foreach (Element::parts($coords) as $i => $coord) {
            $number = self::pixels($coord, $size[$shape === 'circle' && $i === 2 ? (int) ($size[0] > $size[1]) : $i % 2]);
            if ($number === null) {
                return null;
            }
            $numbers[] = $number;
        }
        $count = count($numbers);
        if ($shape === 'poly' && $count > 6 && array_slice($numbers, 0, 2) === array_slice($numbers, -2)) {
            $numbers = array_slice($numbers, 0, -2);
        }

        return match (true) {
            $shape === 'circle' && $count === 3 => Area::fromPlan('ellipse', [$numbers[0], $numbers[1], $numbers[2], $numbers[2]]),
            $shape === 'ellipse' && $count === 4 => Area::fromPlan('ellipse', $numbers),
            $shape === 'rect' && $count === 4 => Area::fromPlan('rectangle', [
                $numbers[0],
                $numbers[1],
                $numbers[2] - $numbers[0],
                $numbers[3] - $numbers[1],
            ]),
            $shape === 'poly' && $count >= 6 && $count % 2 === 0 => Area::fromPlan('polygon', $numbers),
            default => null,
        };
    }

    /** Whole pixels; a percentage is of the picture’s size. */
    private static function pixels(string $written, int $of): ?int
    {
        $number = Value::number(rtrim($written, "% \n\t"));
        if ($number === null) {
            return null;
        }
        $number = str_ends_with(trim($written), '%') ? $number->multipliedBy($of)->dividedBy(100) : $number;

        return $number->abs()->isGreaterThan(Ratio::of(99_999)) ? null : (int) (string) $number->rounded(0);
    }
}
