<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items\Building;

use Zetema\Core\Exchange\Qti\Items\Context;
use Zetema\Core\Exchange\Qti\Items\Kinds\MatchItem;
use Zetema\Core\Exchange\Qti\Items\Kinds\RegionsItem;
use Zetema\Core\Exchange\Qti\Items\Unreadable;
use Zetema\Core\Exchange\Qti\Marks\Answered;
use Zetema\Core\Exchange\Qti\Texts\Paths;
use Zetema\Core\Exchange\Qti\Variables\Shape;
use Zetema\Core\Exchange\Qti\Variables\Value;
use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\Area;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kinds\Regions\Overlap;

/** Interactions on a picture: areas that are clicked, labels put onto spots. */
final class PictureBuilding
{
    /** A picture whose size nobody knows. */
    private const UNKNOWN = [99_999, 99_999];

    /** @throws Unreadable */
    public static function regions(Element $interaction, Context $context): Answered
    {
        Context::always($interaction);
        $declaration = $context->declaration($interaction);
        $picture = $context->picture($interaction);
        $size = $picture->size ?? self::UNKNOWN;
        $isHotspot = $interaction->name === 'hotspotInteraction';
        $areas = $worths = [];
        $shapes = $isHotspot
            ? $interaction->children('hotspotChoice')
            : $declaration->areaMapping?->children('areaMapEntry') ?? ($context->rules?->below('inside') ?? []);
        foreach ($shapes as $shape) {
            if ($isHotspot) {
                $shape->take();
            }
            $area =
                Shape::area($shape->attribute('shape') ?? 'default', $shape->attribute('coords') ?? '', $size) ??
                throw new Unreadable($shape);
            $identifier = $isHotspot ? $shape->attribute('identifier') ?? '' : null;
            $worth = $isHotspot
                ? $declaration->mapping?->entries[$identifier] ?? $declaration->mapping?->default
                : Value::number($shape->attribute('mappedValue') ?? '');
            $isDeclared = $isHotspot
                ? in_array($identifier, $declaration->correct?->texts() ?? [], true)
                : $declaration->areaMapping === null || $worth?->isPositive() === true;
            $areas[] = [
                'area' => $area,
                'identifier' => $identifier,
                'name' => $isHotspot ? $shape->attribute('hotspotLabel') : null,
                'declared' => $isDeclared,
            ];
            $worths = $worth === null ? $worths : [...$worths, $worth];
        }
        if ($areas === []) {
            throw new Unreadable($interaction);
        }
        $most = $interaction->whole('maxChoices', 1);
        if ($interaction->whole('minChoices', 0) > 1) {
            $context->listing->unmatched($interaction, ChoiceBuilding::written($interaction, 'minChoices'));
        }
        $settings = [
            ...$isHotspot ? ['areas' => 'outlined'] : [],
            ...$most === 1 ? [] : ['clicks' => $most === 0 ? 'any' : (string) $most],
        ];
        self::overlaps($shapes, $areas, $worths, $context, $size);
        $lower = Value::number(($declaration->areaMapping ?? $declaration->element->child('mapping'))?->attribute('lowerBound') ?? '');

        return new RegionsItem(
            $context->stem($context->body->withGaps()),
            $areas,
            $most === 0 ? PHP_INT_MAX : $most,
            $declaration,
            $picture,
            $settings,
            $context->item->line,
            $lower,
            count($worths) === count($areas) ? $worths : [],
        );
    }

    /**
     * Areas that overlap are listed, unless both earn the same, or one of them is all of the picture.
     *
     * @param list<Element> $shapes
     * @param list<array{area: Area, identifier: string|null, name: string|null, declared: bool}> $areas
     * @param list<Ratio> $worths
     * @param array{int, int} $size
     */
    private static function overlaps(array $shapes, array $areas, array $worths, Context $context, array $size): void
    {
        foreach ($areas as $i => ['area' => $area]) {
            foreach (array_slice($areas, 0, $i, true) as $j => ['area' => $other]) {
                $same = isset($worths[$i], $worths[$j])
                    ? $worths[$i]->isEqualTo($worths[$j])
                    : $areas[$i]['declared'] === $areas[$j]['declared'];
                if ($same || $shapes[$i]->attribute('shape') === 'default' || $shapes[$j]->attribute('shape') === 'default') {
                    continue;
                }
                try {
                    $meet = Overlap::find([$area, $other], ...$size) !== null;
                } catch (InvalidQuestion) {
                    $meet = true;
                }
                if ($meet) {
                    $context->listing->unmatched($shapes[$i]);

                    return;
                }
            }
        }
    }

    /** @throws Unreadable */
    public static function place(Element $interaction, Context $context): Answered
    {
        Context::always($interaction);
        $declaration = $context->declaration($interaction);
        $picture = $context->picture($interaction);
        $interaction->attribute('maxAssociations');
        $interaction->attribute('minAssociations');
        $spots = [];
        foreach ($interaction->children('associableHotspot') as $spot) {
            $spot->take();
            if ($spot->whole('matchMax', 1) !== 1) {
                $context->listing->unmatched($spot, ChoiceBuilding::written($spot, 'matchMax'));
            }
            array_map($spot->attribute(...), ['matchGroup', 'matchMin']);
            $area =
                Shape::area($spot->attribute('shape') ?? '', $spot->attribute('coords') ?? '', $picture->size ?? self::UNKNOWN) ??
                throw new Unreadable($spot);
            $spots[] = [
                'identifier' => $spot->attribute('identifier') ?? '',
                'text' => self::spot($area),
                'name' => $spot->attribute('hotspotLabel'),
            ];
        }
        $places = array_column($spots, 'identifier');
        $labels = $spares = [];
        $pairs = MatchBuilding::pairs($declaration);
        foreach ($interaction->children('gapImg', 'gapText') as $label) {
            $identifier = $label->attribute('identifier') ?? '';
            $text = self::label($label, $context);
            $at = array_keys(array_filter($pairs, static fn (array $p): bool => $p[0] === $identifier));
            foreach ($at as $pair) {
                $labels[] = [
                    'identifier' => $identifier,
                    'text' => $text,
                    'target' => (int) array_search($pairs[$pair][1], $places, true),
                ];
            }
            if ($at === []) {
                $spares[] = ['identifier' => $identifier, 'text' => $text, 'target' => null];
            }
        }
        if ($labels === []) {
            throw new Unreadable($interaction);
        }

        return new MatchItem(
            'place',
            $context->stem($context->body->withGaps()),
            [...$labels, ...$spares],
            $spots,
            $declaration,
            false,
            $context->item->line,
            $picture,
        );
    }

    private static function spot(Area $area): string
    {
        [$left, $top, $right, $bottom] = $area->box();
        $radius =
            $area->shape === 'ellipse' && $area->numbers[2] === $area->numbers[3]
                ? $area->numbers[2]
                : intdiv(min($right - $left, $bottom - $top), 2);

        return sprintf('%d %d %d', intdiv($left + $right, 2), intdiv($top + $bottom, 2), max(1, $radius));
    }

    /** Words, or a picture; a drawing of nothing but its own words is words. */
    private static function label(Element $label, Context $context): string
    {
        if ($label->name === 'gapText') {
            return $context->text($label);
        }
        $label->take();
        $words = $label->attribute('objectLabel') ?? '';
        $object = $label->child('object', 'img');
        $file = $object === null ? null : $context->body->flow->mediumFile($object);
        if ($object === null || $file === null) {
            return $words;
        }
        $drawn = str_ends_with(strtolower($file), '.svg') && $words !== '' ? $context->files?->contents($file) : null;
        if (
            $drawn !== null &&
            preg_match_all('/<text\b[^>]*>(.*?)<\/text>/s', $drawn, $m) === 1 &&
            trim(html_entity_decode($m[1][0], ENT_QUOTES | ENT_XML1, 'UTF-8')) === $words &&
            preg_match('/<(?:path|rect|circle|ellipse|line|poly\w+|image|use)\b/', $drawn) !== 1
        ) {
            return $words;
        }

        return '![' .
            ($words !== '' ? $words : $context->body->flow->shows($object, $file)) .
            '](' .
            Paths::inMarkdown($context->body->flow->named($file)) .
            ')';
    }
}
