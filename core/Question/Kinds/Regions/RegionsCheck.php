<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Regions;

use Zetema\Core\Question\Answers\Area;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Settings\Areas;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Marking;
use Zetema\Core\Question\Settings\Setting;

/**
 * Whether areas are whole: one is right, points stand where they are asked for, and none lie over each other where that would count twice.
 */
final class RegionsCheck
{
    /** @throws InvalidQuestion */
    public static function verify(Regions $kind, EffectiveSettings $settings): void
    {
        $kind->picture->verify();
        $weighed = $settings->marking() === Marking::Weighed;
        if (!$settings->isKeyless() && !$weighed && $kind->keys() === []) {
            throw new InvalidQuestion('no area is right; write `area yes:` for the one to click', 'area');
        }
        foreach ($kind->regions as $i => $region) {
            if ($weighed === ($region->weight === null)) {
                throw new InvalidQuestion(
                    $weighed
                        ? sprintf('under “weighed” every area has its points; area %d has none', $i + 1)
                        : 'points at an area only go with “marking: weighed”',
                    'area',
                );
            }
            if ($region->weight !== null && $region->weight->decimals() > $settings->integer(Setting::Decimals)) {
                throw new InvalidQuestion(sprintf('the points of area %d have more decimals than marks are rounded to', $i + 1), 'area');
            }
        }
        if ($weighed) {
            Overlap::refuse(array_map(static fn (Region $r): Area => $r->area, $kind->regions), $kind->picture);
            if (Region::highestSum($kind->regions, $kind->most($settings))->compare(Points::zero()) <= 0) {
                throw new InvalidQuestion('no permitted response earns more than 0', 'area');
            }
        }
    }
}
