<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Tests;

use Zetema\Core\Exchange\Qti\Listing;
use Zetema\Core\Exchange\Qti\Texts\Paths;
use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Numbers\Ratio;

/** A step of a test, as the step of a plan. */
final class TestStep
{
    /**
     * @param array{paths: list<string>, take: int|null, mixed: bool, controls: list<Control>, weights: list<Ratio|null>, page: string|null,
     *   element: Element} $step
     * @param array<string, array{string, Ratio}> $items
     * @param array<string, true> $agreed
     *
     * @return array<string, mixed>|null null where nothing of it became a question
     */
    public static function told(array $step, array $items, array $agreed, bool $weighs, bool $isSimultaneous, Listing $listing): ?array
    {
        if ($step['page'] !== null) {
            return ['page' => $step['page']];
        }
        $names = $points = $settings = [];
        $isWeighed = false;
        foreach ($step['paths'] as $i => $path) {
            if (isset($items[$path])) {
                [$name, $worth] = $items[$path];
                $names[] = $name;
                $weight = $step['weights'][$i];
                $isWeighed = $isWeighed || ($weighs && $weight !== null && !$weight->isEqualTo(1));
                $points[] = (string) ($weighs && $weight !== null ? $weight->multipliedBy($worth) : $worth)->decimal();
                $settings[] = isset($agreed[$path]) ? [] : $step['controls'][$i]->settings($isSimultaneous);
            }
        }
        if ($names === []) {
            return null;
        }
        $said = array_diff_key($settings[0], ['late' => true]) + ($isWeighed ? ['points' => $points[0]] : []);
        if (($isWeighed && count(array_unique($points)) > 1) || count(array_unique($settings, SORT_REGULAR)) > 1) {
            $listing->unmatched($step['element'], 'weight');
        }

        if ($step['take'] === null) {
            return ['question' => $names[0], ...$said];
        }
        $draw = [
            'take' => min($step['take'], count($names)),
            'pool' => ['only' => $names],
            ...$step['mixed'] ? ['place' => 'mixed'] : [],
            ...array_intersect_key($said, ['points' => true]),
        ];

        return ['draw' => $draw, ...array_diff_key($said, ['points' => true])];
    }
}
