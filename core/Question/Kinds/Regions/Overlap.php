<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Regions;

use Zetema\Core\Question\Answers\Area;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kinds\Common\Picture;

/** Finds a pixel that two areas share, row by row, each area's rows once; it is asked with every save. */
final class Overlap
{
    /** Rows of all areas together, and edges met in them, beyond which a save would take longer than a second. */
    private const MOST_WORK = 250_000;

    /**
     * @param list<Area> $areas
     *
     * @throws InvalidQuestion naming a pixel in which two of them overlap
     */
    public static function refuse(array $areas, Picture $picture): void
    {
        $pixel = self::find($areas, $picture->width, $picture->height);
        if ($pixel !== null) {
            throw new InvalidQuestion(sprintf('under “weighed” areas may not overlap; two do at %d, %d', ...$pixel), 'area');
        }
    }

    /**
     * @param list<Area> $areas
     * @param int|null $width of the picture, where it is known; nothing beside it can be clicked
     *
     * @return array{int, int}|null x and y
     *
     * @throws InvalidQuestion if the areas are too large to be compared in good time
     */
    public static function find(array $areas, ?int $width, ?int $height): ?array
    {
        $close = self::close($areas);
        [$top, $bottom] = [
            max(0, min([0, ...array_map(static fn (Area $a): int => $a->box()[1], $close)])),
            max([0, ...array_map(static fn (Area $a): int => $a->box()[3], $close)]),
        ];
        $bottom = min($bottom, ($height ?? PHP_INT_MAX) - 1);
        $work = array_sum(array_map(static fn (Area $a): int => $a->work($top, $bottom), $close));
        if ($work > self::MOST_WORK) {
            throw new InvalidQuestion(
                'under “weighed” areas may not overlap, and so many large ones, or with so many corners, cannot be compared in good time; draw fewer, or use a smaller picture',
                'area',
            );
        }
        $walking = array_map(static fn (Area $a): \Generator => $a->rows($top, $bottom), $close);
        for ($y = $top; $y <= $bottom && $walking !== []; ++$y) {
            $runs = [];
            foreach ($walking as $i => $area) {
                if (!$area->valid()) {
                    unset($walking[$i]);
                } elseif ($area->key() === $y) {
                    array_push($runs, ...$area->current());
                    $area->next();
                }
            }
            sort($runs);
            foreach ($runs as $n => [$from, $to]) {
                $next = $runs[$n + 1] ?? null;
                if ($next !== null && $next[0] <= $to && ($width === null || $next[0] < $width)) {
                    return [$next[0], $y];
                }
            }
        }

        return null;
    }

    /**
     * @param list<Area> $areas
     *
     * @return list<Area> those whose box meets another's
     */
    private static function close(array $areas): array
    {
        $boxes = array_map(static fn (Area $a): array => $a->box(), $areas);
        $meets = static fn (array $a, array $b): bool => $a[0] <= $b[2] && $b[0] <= $a[2] && $a[1] <= $b[3] && $b[1] <= $a[3];
        $close = [];
        foreach ($areas as $i => $area) {
            foreach ($boxes as $j => $box) {
                if ($i !== $j && $meets($boxes[$i], $box)) {
                    $close[] = $area;
                    break;
                }
            }
        }

        return $close;
    }
}
