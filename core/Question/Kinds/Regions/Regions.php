<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Regions;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Answers\Area;
use Zetema\Core\Question\Kinds\Common\CriterionFeedback;
use Zetema\Core\Question\Kinds\Common\OnPicture;
use Zetema\Core\Question\Kinds\Common\PartsKind;
use Zetema\Core\Question\Kinds\Common\Picture;
use Zetema\Core\Question\Kinds\Common\ResponseReader;
use Zetema\Core\Question\Kinds\Kind;
use Zetema\Core\Question\Kinds\KindFacts;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\LineWord;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Response\ClickedPoints;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseForm;
use Zetema\Core\Question\Response\Space\Clicks;
use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Look;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Scoring\Sought\InArea;
use Zetema\Core\Question\Scoring\Sought\OutsideAreas;
use Zetema\Core\Question\Settings\Areas;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Settings\Marking;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Question\Texts\TextSort;

/** Hotspot: clicks into an image; some areas are right, others are known wrong ones. */
final readonly class Regions implements Kind, OnPicture
{
    /** More clicks than these are refused where any number is allowed. */
    public const MOST_CLICKS = 200;

    /** @param list<Region> $regions */
    public function __construct(public Picture $picture, public array $regions)
    {
    }

    public static function id(): KindId
    {
        return KindId::Regions;
    }

    public static function facts(): KindFacts
    {
        return new KindFacts(
            names: ['regions', 'hotspot'],
            opening: ['regions'],
            words: [
                ...Picture::words(),
                LineWord::short('area')->with('area (?<which>yes|no)(?: (?<number>[-−]?\d+(?:\.\d+)?))?', 'area yes'),
                LineWord::below('name'),
                LineWord::textBelow('says'),
            ],
            line: 'area',
            how: 'Click into the picture.',
            form: ResponseForm::Points,
            field: 'points',
            lists: ['regions'],
            texts: [
                'picture.shows' => TextSort::Description,
                'regions.*.name' => TextSort::Name,
                'regions.*.says' => TextSort::Feedback,
            ],
            empty: ['picture' => Picture::EMPTY, 'regions' => []],
            template: "regions: {Click where it is.}\n  image: {picture.svg}\n    shows: {what the picture shows}\n  area yes: ellipse {100} {100} {40} {30}\n    name: {what it is}\n    says: {what is said of it}\n  area no: rectangle {10} {10} {80} {60}\n",
            rules: ['whole', 'parts', 'weighed'],
            settings: [Setting::Clicks, Setting::Areas, Setting::WrongPartCosts],
            defaults: [Setting::WrongPartCosts->value => '1'],
        );
    }

    public static function read(Line $opening, array $parts, Settings $own, Problems $problems): self
    {
        $image = null;
        $regions = [];
        foreach ($parts as $part) {
            if ($part->word === 'image') {
                $image = $part;
                continue;
            }
            try {
                $regions[] = new Region(
                    Area::of($part->text),
                    $part->argument('which') === 'yes',
                    $part->child('name')?->text,
                    $part->number(),
                    $part->child('says')?->text,
                );
            } catch (InvalidSetting $e) {
                $problems->inText($part, $e->getMessage());
            }
        }

        return new self(Picture::read($image, $opening, $problems), $regions);
    }

    public static function fromData(Fields $data): self
    {
        return new self(Picture::fromData($data->object('picture')), array_map(Region::fromData(...), $data->objects('regions')));
    }

    public function toData(): array
    {
        return [
            'picture' => $this->picture->toData(),
            'regions' => array_map(static fn (Region $r): array => $r->toData(), $this->regions),
        ];
    }

    public function toLines(string $stem): array
    {
        return [
            Line::written('regions', $stem),
            $this->picture->toLine(),
            ...array_map(static fn (Region $r): Line => $r->toLine(), $this->regions),
        ];
    }

    public function verify(EffectiveSettings $settings, string $stem): void
    {
        RegionsCheck::verify($this, $settings);
    }

    public function response(mixed $given, EffectiveSettings $settings, bool $complete = true): Response
    {
        $fields = ResponseReader::field($given, 'points');
        if ($fields === null) {
            return Response::blank();
        }
        $points = $fields->items('points');
        $most = $this->most($settings) ?? self::MOST_CLICKS;
        if (count($points) > $most) {
            throw new Malformed('points', sprintf('has %d clicks; %d may be made', count($points), $most));
        }
        $clicks = [];
        foreach ($points as $point) {
            if (!is_array($point) || array_keys($point) !== [0, 1] || !is_int($point[0]) || !is_int($point[1])) {
                throw new Malformed('points', 'must be a list of pairs of whole pixels');
            }
            if (!$this->picture->has($point[0], $point[1])) {
                throw new Malformed('points', sprintf('%d, %d lies off the picture', $point[0], $point[1]));
            }
            $clicks[] = [$point[0], $point[1]];
        }

        return Response::clicking($clicks);
    }

    public function scoring(EffectiveSettings $settings): Scoring
    {
        $weighed = $settings->marking() === Marking::Weighed;
        $criteria = [];
        foreach ($this->regions as $i => $region) {
            $find = new InArea($i + 1, $region->area, $region->isKey);
            $criteria[] = $weighed
                ? Criterion::weighing($find, $region->weight ?? Points::zero())
                : ($region->isKey
                    ? Criterion::right($find)
                    : Criterion::wrong($find));
        }
        if (!$weighed) {
            $criteria[] = Criterion::wrong(new OutsideAreas());
        }

        return new Scoring(
            Look::Points,
            $criteria,
            PartsKind::rule($settings),
            Ratio::of(max(1, min(count($this->keys()), $this->most($settings) ?? PHP_INT_MAX))),
            $settings->wrongPartCosts(),
            $weighed ? Region::highestSum($this->regions, $this->most($settings)) : $settings->points(Setting::Points),
        );
    }

    public function notYet(Response $response, EffectiveSettings $settings): ?string
    {
        return null;
    }

    public function isListable(): bool
    {
        return true;
    }

    /** Into each area, into all right ones, and into the corner. */
    public function telling(EffectiveSettings $settings): iterable
    {
        foreach ($this->regions as $region) {
            yield Response::clicking([$region->area->somePoint()]);
        }
        $keys = array_map(static fn (Region $r): array => $r->area->somePoint(), $this->keys());
        yield Response::clicking(array_slice($keys, 0, $this->space($settings)->most));
        yield Response::clicking([[0, 0]]);
    }

    public function space(EffectiveSettings $settings): Clicks
    {
        return new Clicks($this->most($settings) ?? max(1, count($this->keys())), $this->picture->width ?? 0, $this->picture->height ?? 0);
    }

    public function says(Response $response, array $found): array
    {
        return CriterionFeedback::by($found, fn (int $n): ?string => $this->regions[$n - 1]->says ?? null);
    }

    public function shuffledLists(): array
    {
        return [];
    }

    public function shownToCandidate(array $order, EffectiveSettings $settings, bool $checked = false): array
    {
        $outlined = in_array($settings->areas(), $checked ? [Areas::Outlined, Areas::AfterChecking] : [Areas::Outlined], true);

        return [
            'picture' => $this->picture->toData(),
            'clicks' => $this->most($settings),
            'areas' => $outlined ? array_map(static fn (Region $r): string => $r->area->inWords(), $this->regions) : [],
        ];
    }

    public function inWords(Response $response, bool $withKey = false): array
    {
        $clicks = ClickedPoints::in($response);

        return array_map(
            function (array $click, int $n) use ($withKey): AnswerLine {
                $hit = array_filter($this->regions, static fn (Region $r): bool => $withKey && $r->area->contains($click[0], $click[1]));

                return $hit === []
                    ? AnswerLine::typed(sprintf('at %d, %d', ...$click), "$n")
                    : new AnswerLine(implode(' and ', array_map(static fn (Region $r): string => $r->inWords(), $hit)), before: "$n");
            },
            $clicks,
            $clicks === [] ? [] : range(1, count($clicks)),
        );
    }

    public function pictured(Response $response, bool $withKey): array
    {
        return [
            'picture' => $this->picture->toData(),
            'clicks' => ClickedPoints::in($response),
            'areas' => $withKey ? array_map(static fn (Region $r): array => $r->told(), $this->keys()) : [],
            'labels' => [],
        ];
    }

    public function choices(): array
    {
        return [];
    }

    public function lineIds(): array
    {
        return array_map(static fn (Region $r, int $i): int => $r->id ?? $i + 1, $this->regions, array_keys($this->regions));
    }

    public function saysAnything(): bool
    {
        return array_filter($this->regions, static fn (Region $r): bool => $r->says !== null) !== [];
    }

    public function keyTexts(): array
    {
        return [];
    }

    public function keyInWords(): array
    {
        return AnswerLine::written(array_map(static fn (Region $r): string => $r->inWords(), $this->keys()));
    }

    public function most(EffectiveSettings $settings): ?int
    {
        $clicks = $settings->get(Setting::Clicks) ?? '1';

        return $clicks === 'any' ? null : (int) $clicks;
    }

    /** @return list<Region> */
    public function keys(): array
    {
        return array_values(array_filter($this->regions, static fn (Region $r): bool => $r->isKey));
    }
}
