<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Pairs;

use Zetema\Core\Data\AuthorText as Texts;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Answers\Part;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kinds\Common\PartsKind;
use Zetema\Core\Question\Kinds\KindFacts;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\LineWord;
use Zetema\Core\Question\Kinds\ListOrder;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Response\ResponseForm;
use Zetema\Core\Question\Response\Space\Injections;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Question\Texts\TextSort;

/** Matching: each left-hand side gets its right-hand side; spare right-hand sides are allowed. */
final readonly class Pairs extends PartsKind
{
    /**
     * @param list<Part> $pairs the text is the left, `with` the right-hand side
     * @param list<string> $spares further right-hand sides
     */
    public function __construct(public array $pairs, public array $spares)
    {
    }

    public static function id(): KindId
    {
        return KindId::Pairs;
    }

    public static function facts(): KindFacts
    {
        return new KindFacts(
            names: ['pairs', 'matching'],
            opening: ['pairs'],
            words: [
                LineWord::line('pair'),
                LineWord::line('spare with'),
                LineWord::textBelow('with'),
                LineWord::below('earns'),
                LineWord::below('loses'),
            ],
            line: 'pair',
            how: 'Give each what belongs to it.',
            form: ResponseForm::EntryByPart,
            field: 'pairs',
            lists: ['pairs'],
            texts: ['pairs.*.text' => TextSort::Part, 'pairs.*.with' => TextSort::Target, 'spares.*' => TextSort::Target],
            empty: [
                'pairs' => array_map(static fn (int $id): array => ['id' => $id, 'text' => '', 'with' => '', 'belongs' => [(string) $id]], [
                    1,
                    2,
                    3,
                ]),
                'spares' => [],
            ],
            template: "pairs: {What belongs together?}\n  marking: parts\n  pair: {one}\n  with: {its other}\n  pair: {two}\n  with: {the other of two}\n  spare with: {belongs to none}\n",
            listOrder: ListOrder::Shuffled,
            rules: ['whole', 'parts', 'weighed'],
            settings: [Setting::Shuffle, Setting::Layout, Setting::WrongPartCosts],
            defaults: [Setting::WrongPartCosts->value => '0'],
        );
    }

    public static function read(Line $opening, array $parts, Settings $own, Problems $problems): self
    {
        $pairs = [];
        $spares = [];
        foreach ($parts as $part) {
            if ($part->word === 'spare with') {
                $spares[] = Texts::tidy($part->text);
                continue;
            }
            $with = $part->children('with');
            if (count($with) !== 1) {
                $problems->at($with[1] ?? $part, 'a `pair:` has one `with:` below it');
            }
            $id = count($pairs) + 1;
            $pairs[] = new Part(
                $id,
                $part->text,
                [(string) $id],
                Texts::tidy($with[0]->text ?? ''),
                Part::pointsBelow($part, 'earns', $problems),
                Part::pointsBelow($part, 'loses', $problems),
            );
        }

        return new self($pairs, $spares);
    }

    public static function fromData(Fields $data): self
    {
        return new self(array_map(Part::fromData(...), $data->objects('pairs')), $data->texts('spares', optional: true));
    }

    public function toData(): array
    {
        return [
            'pairs' => array_map(static fn (Part $p): array => $p->toData(), $this->pairs),
            ...$this->spares === [] ? [] : ['spares' => $this->spares],
        ];
    }

    public function toLines(string $stem): array
    {
        return [
            Line::written('pairs', $stem),
            ...array_map(
                static fn (Part $p): Line => Line::written('pair', $p->text, [Line::written('with', $p->with ?? ''), ...$p->pointLines()]),
                $this->pairs,
            ),
            ...array_map(static fn (string $s): Line => Line::written('spare with', $s), $this->spares),
        ];
    }

    public function verify(EffectiveSettings $settings, string $stem): void
    {
        if (count($this->pairs) < 1 || count($this->rights()) < 2) {
            throw new InvalidQuestion('it needs at least two right-hand sides to choose from', 'pair');
        }
        foreach ($this->rights() as $right) {
            if ($right === '') {
                throw new InvalidQuestion('a right-hand side has no text', 'pair');
            }
        }
        Part::verifyPoints($this->pairs, $settings, 'pair');
    }

    public function space(EffectiveSettings $settings): Injections
    {
        return Injections::of('pairs', $this->targets(), ...$this->lineIds());
    }

    public function keyInWords(): array
    {
        return AnswerLine::written(array_map(static fn (Part $p): string => $p->text . ' – ' . $p->with, $this->pairs));
    }

    /** Left-hand sides stand as written; right-hand sides are mixed, since each is written below its left. */
    public function shuffledLists(): array
    {
        return [range(1, count($this->rights()))];
    }

    public function shownToCandidate(array $order, EffectiveSettings $settings, bool $checked = false): array
    {
        return [
            'lefts' => array_map(static fn (Part $p): string => $p->text, $this->pairs),
            'rights' => array_map(fn (int $n): string => $this->rights()[$n - 1], $order[0] ?? []),
        ];
    }

    protected function targetInWords(string $target): string
    {
        return $this->rights()[(int) $target - 1];
    }

    protected function parts(): array
    {
        return $this->pairs;
    }

    protected function targets(): array
    {
        return array_map(static fn (int $n): string => (string) $n, range(1, count($this->rights())));
    }

    /** Right-hand sides with the same text are interchangeable. */
    protected function takes(Part $part): array
    {
        return array_map(static fn (int $i): string => (string) ($i + 1), array_keys($this->rights(), $part->with, true));
    }

    protected function same(): array
    {
        return [];
    }

    /** @return list<string> in the order written, spares last */
    private function rights(): array
    {
        return [...array_map(static fn (Part $p): string => $p->with ?? '', $this->pairs), ...$this->spares];
    }
}
