<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing\Bodies;

use Zetema\Core\Exchange\Qti\Writing\Body;
use Zetema\Core\Exchange\Qti\Writing\Html;
use Zetema\Core\Exchange\Qti\Writing\Rules;
use Zetema\Core\Exchange\Qti\Writing\Tag;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\Area;
use Zetema\Core\Question\Kinds\Regions\Region;
use Zetema\Core\Question\Kinds\Regions\Regions;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\Areas;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Marking;
use Zetema\Core\Question\Settings\Setting;

/** Areas of a picture: clicked where one likes, or outlined and chosen. */
final class RegionsBody
{
    public static function of(Question $question, Regions $kind, EffectiveSettings $settings, Html $html): Body
    {
        $isOutlined = $settings->areas() === Areas::Outlined;
        $clicks = $settings->get(Setting::Clicks) ?? '1';
        $most = $clicks === 'any' ? 0 : (int) $clicks;
        $keys = array_filter($kind->regions, static fn (Region $r): bool => $r->isKey);
        $count = max(1, min(count($keys), $most === 0 ? PHP_INT_MAX : $most));
        $rule = $settings->marking();
        $costs = $rule === Marking::Whole ? Ratio::one() : $settings->wrongPartCosts();
        $worth = static fn (Region $r): Ratio => $rule === Marking::Weighed
            ? $r->weight?->exact() ?? Ratio::zero()
            : ($r->isKey
                ? Ratio::one()
                : $costs->negated());
        $bounds = $rule === Marking::Weighed ? [] : ['lowerBound' => '0', 'upperBound' => (string) $count];
        $default = $rule === Marking::Weighed ? Ratio::zero() : $costs->negated();
        $object = $html->object($kind->picture->file, $kind->picture->shows, $kind->picture);
        $attributes = ['responseIdentifier' => Declared::RESPONSE, 'maxChoices' => (string) $most];
        $name = static fn (int $i): string => 'A' . ($i + 1);
        if ($isOutlined) {
            $choices = array_map(
                static fn (Region $r, int $i): Tag => Tag::of('hotspotChoice', [
                    'identifier' => $name($i),
                    ...self::shape($r->area),
                    'hotspotLabel' => $r->name,
                ]),
                $kind->regions,
                array_keys($kind->regions),
            );
            $worths = array_combine(array_map($name, array_keys($kind->regions)), array_map($worth, $kind->regions));
            $mapping = Declared::mapping(
                $worths,
                $default,
                $rule === Marking::Weighed ? null : Ratio::zero(),
                $rule === Marking::Weighed ? null : Ratio::of($count),
            );
            $declaration = Declared::response('multiple', 'identifier', array_map($name, array_keys($keys)), $mapping);
            $interaction = Tag::of('hotspotInteraction', $attributes, $object, ...$choices);
        } else {
            $entries = array_map(
                static fn (Region $r): Tag => Tag::of('areaMapEntry', [...self::shape($r->area), 'mappedValue' => $worth($r)->decimal()]),
                $kind->regions,
            );
            $declaration = Declared::response(
                'multiple',
                'point',
                [],
                Tag::of('areaMapping', [...$bounds, 'defaultValue' => $default->decimal()], ...$entries),
            );
            $interaction = Tag::of('selectPointInteraction', $attributes, $object);
        }
        $inside = [...$html->blocks($question->stem), $interaction];
        if ($settings->isKeyless()) {
            // Hidden areas stand nowhere but in the mapping.
            $entries = array_map(
                static fn (Region $r): Tag => Tag::of('areaMapEntry', [...self::shape($r->area), 'mappedValue' => '0']),
                $kind->regions,
            );

            return new Body(
                [
                    $isOutlined
                        ? Declared::response('multiple', 'identifier', [])
                        : Declared::response('multiple', 'point', [], Tag::of('areaMapping', ['defaultValue' => '0'], ...$entries)),
                ],
                $inside,
            );
        }
        $mapped = Declared::mapped($isOutlined ? 'mapResponse' : 'mapResponsePoint');
        $share =
            $rule === Marking::Weighed
                ? Declared::share($mapped)
                : ($rule === Marking::Whole
                    ? Declared::whole($mapped, $count)
                    : Declared::share(Declared::part($mapped, $count)));
        $says = [];
        foreach ($kind->regions as $i => $region) {
            if ($region->says !== null) {
                $says[] = [
                    $isOutlined
                        ? Declared::has($name($i))
                        : Tag::of('inside', self::shape($region->area), Rules::variable(Declared::RESPONSE)),
                    $region->says,
                    $name($i),
                ];
            }
        }

        return new Body([$declaration], $inside, [$share], Declared::blank(), $says, Declared::atMost($count));
    }

    /** @return array{shape: string, coords: string} */
    private static function shape(Area $area): array
    {
        $n = $area->numbers;

        return match (true) {
            $area->shape === 'ellipse' && $n[2] === $n[3] => ['shape' => 'circle', 'coords' => "$n[0],$n[1],$n[2]"],
            $area->shape === 'rectangle' => ['shape' => 'rect', 'coords' => implode(',', [$n[0], $n[1], $n[0] + $n[2], $n[1] + $n[3]])],
            default => ['shape' => $area->shape === 'ellipse' ? 'ellipse' : 'poly', 'coords' => implode(',', $n)],
        };
    }
}
