<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Place;

use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Answers\Part;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kinds\Common\OnPicture;
use Zetema\Core\Question\Kinds\Common\PartsKind;
use Zetema\Core\Question\Kinds\Common\Picture;
use Zetema\Core\Question\Kinds\KindFacts;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\LineWord;
use Zetema\Core\Question\Kinds\ListOrder;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Response\FilledParts;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseForm;
use Zetema\Core\Question\Response\Space\Injections;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Question\Texts\TextSort;

/** Labels put onto spots of an image; each spot takes one label, and a spot may stay without. */
final readonly class Place extends PartsKind implements OnPicture
{
    /**
     * @param list<array{x: int, y: int, radius: int, name: string|null}> $spots numbered from 1, in image pixels
     * @param list<Part> $labels spares last
     */
    public function __construct(public Picture $picture, public array $spots, public array $labels)
    {
    }

    public static function id(): KindId
    {
        return KindId::Place;
    }

    public static function facts(): KindFacts
    {
        return new KindFacts(
            names: ['place', 'labels on a picture'],
            opening: ['place'],
            words: [
                ...Picture::words(),
                LineWord::short('spot'),
                LineWord::line('label'),
                LineWord::line('spare label'),
                LineWord::below('at'),
                LineWord::below('name'),
                LineWord::below('earns'),
                LineWord::below('loses'),
            ],
            line: 'label',
            how: 'Put the labels onto the picture: press a label, then its spot.',
            form: ResponseForm::MixedParts,
            field: 'place',
            lists: ['spots', 'labels'],
            texts: ['picture.shows' => TextSort::Description, 'spots.*.name' => TextSort::Name, 'labels.*.text' => TextSort::Part],
            empty: ['picture' => Picture::EMPTY, 'spots' => [], 'labels' => [['id' => 1, 'text' => '', 'belongs' => ['1']]]],
            template: "place: {Put each label where it belongs.}\n  marking: parts\n  image: {picture.svg}\n    shows: {what the picture shows}\n  spot: {100} {100} {30}\n  spot: {100} {200} {30}\n  label: {one}\n  at: 1\n  label: {two}\n  at: 2\n",
            listOrder: ListOrder::Shuffled,
            rules: ['whole', 'parts', 'weighed'],
            settings: [Setting::Shuffle, Setting::Layout, Setting::WrongPartCosts],
            defaults: [Setting::WrongPartCosts->value => '0'],
        );
    }

    public static function read(Line $opening, array $parts, Settings $own, Problems $problems): self
    {
        $image = null;
        $spots = [];
        $labels = [];
        $spares = [];
        foreach ($parts as $part) {
            if ($part->word === 'image') {
                $image = $part;
            } elseif ($part->word === 'spot') {
                if (preg_match('/^(\d{1,5})[ ,]+(\d{1,5})[ ,]+([1-9]\d{0,4})$/', $part->text, $m) === 1) {
                    $spots[] = ['x' => (int) $m[1], 'y' => (int) $m[2], 'radius' => (int) $m[3], 'name' => $part->child('name')?->text];
                } else {
                    $problems->inText($part, 'a spot is x, y and radius in pixels: `spot: 120 80 30`');
                }
            } elseif ($part->word === 'spare label') {
                $spares[] = $part;
            } else {
                $at = $part->child('at');
                if ($at === null || preg_match('/^[1-9]\d?(\s*,\s*[1-9]\d?)*$/', $at->text) !== 1) {
                    $problems->at(
                        $at ?? $part,
                        'a label has a line `at: 1` below it, with the number of its spot, or of several: `at: 1, 3`',
                    );
                }
                $belongs = array_map(trim(...), explode(',', $at->text ?? ''));
                $labels[] = new Part(
                    count($labels) + 1,
                    $part->text,
                    $belongs,
                    null,
                    Part::pointsBelow($part, 'earns', $problems),
                    Part::pointsBelow($part, 'loses', $problems),
                );
            }
        }
        foreach ($spares as $spare) {
            $labels[] = new Part(count($labels) + 1, $spare->text, [], null, null, Part::pointsBelow($spare, 'loses', $problems));
        }

        return new self(Picture::read($image, $opening, $problems), $spots, $labels);
    }

    public static function fromData(Fields $data): self
    {
        $spots = array_map(
            static fn (Fields $s): array => [
                'x' => $s->integer('x'),
                'y' => $s->integer('y'),
                'radius' => $s->integer('radius'),
                'name' => $s->optionalText('name'),
            ],
            $data->objects('spots'),
        );

        return new self(Picture::fromData($data->object('picture')), $spots, array_map(Part::fromData(...), $data->objects('labels')));
    }

    public function toData(): array
    {
        return [
            'picture' => $this->picture->toData(),
            'spots' => $this->spots,
            'labels' => array_map(static fn (Part $p): array => $p->toData(), $this->labels),
        ];
    }

    public function toLines(string $stem): array
    {
        $lines = [Line::written('place', $stem), $this->picture->toLine()];
        foreach ($this->spots as $spot) {
            $lines[] = Line::written(
                'spot',
                $spot['x'] . ' ' . $spot['y'] . ' ' . $spot['radius'],
                $spot['name'] === null ? [] : [Line::written('name', $spot['name'])],
            );
        }
        foreach ($this->labels as $label) {
            $lines[] = $label->isSpare()
                ? Line::written('spare label', $label->text, $label->pointLines())
                : Line::written('label', $label->text, [Line::written('at', implode(', ', $label->belongs)), ...$label->pointLines()]);
        }

        return $lines;
    }

    public function verify(EffectiveSettings $settings, string $stem): void
    {
        $this->picture->verify();
        if ($this->spots === [] || array_filter($this->labels, static fn (Part $p): bool => !$p->isSpare()) === []) {
            throw new InvalidQuestion('it needs a spot and a label that belongs to one', 'label');
        }
        foreach ($this->spots as $spot) {
            if (!$this->picture->has($spot['x'], $spot['y'])) {
                throw new InvalidQuestion('a spot lies off the picture', 'spot');
            }
        }
        foreach ($this->labels as $label) {
            if (array_diff($label->belongs, $this->targets()) !== []) {
                throw new InvalidQuestion(sprintf('“%s” belongs to a spot that is not there', $label->text), 'label');
            }
        }
        Part::verifyPoints($this->labels, $settings, 'label');
    }

    public function space(EffectiveSettings $settings): Injections
    {
        return Injections::of('place', $this->targets(), ...$this->lineIds());
    }

    public function keyInWords(): array
    {
        return AnswerLine::written(
            array_map(
                fn (Part $p): string => $p->text .
                    ' – ' .
                    implode(
                        ' or ',
                        array_map(fn (string $at): string => $this->spots[(int) $at - 1]['name'] ?? 'spot ' . $at, $p->belongs),
                    ),
                array_filter($this->labels, static fn (Part $p): bool => !$p->isSpare()),
            ),
        );
    }

    /** Each label that was placed, on its spot. */
    public function pictured(Response $response, bool $withKey): array
    {
        $labels = [];
        foreach ($this->labels as $label) {
            $spot = $this->spots[(int) (FilledParts::in($response)[$label->id] ?? 0) - 1] ?? null;
            if ($spot !== null) {
                $labels[] = ['x' => $spot['x'], 'y' => $spot['y'], 'radius' => $spot['radius'], 'text' => $label->text];
            }
        }

        return ['picture' => $this->picture->toData(), 'clicks' => [], 'areas' => [], 'labels' => $labels];
    }

    /** What a spot is called stays with the author: it may tell the answer. */
    public function shownToCandidate(array $order, EffectiveSettings $settings, bool $checked = false): array
    {
        return [
            'picture' => $this->picture->toData(),
            'spots' => array_map(static fn (array $s): array => ['x' => $s['x'], 'y' => $s['y'], 'radius' => $s['radius']], $this->spots),
            'labels' => Part::textsInOrder($this->labels, $order[0] ?? []),
        ];
    }

    protected function targetInWords(string $target): string
    {
        return $this->spots[(int) $target - 1]['name'] ?? 'spot ' . $target;
    }

    protected function parts(): array
    {
        return $this->labels;
    }

    protected function targets(): array
    {
        return array_map(static fn (int $n): string => (string) $n, $this->spots === [] ? [] : range(1, count($this->spots)));
    }

    protected function takes(Part $part): array
    {
        return $part->belongs;
    }

    protected function same(): array
    {
        return Part::same($this->labels);
    }
}
