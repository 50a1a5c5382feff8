<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Groups;

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
use Zetema\Core\Question\Response\Space\IndependentParts;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Question\Texts\TextSort;

/** Sorting into groups: each item goes to its group; spare items belong nowhere. */
final readonly class Groups extends PartsKind
{
    /**
     * @param list<string> $groups their names, numbered from 1
     * @param list<Part> $items spares last
     */
    public function __construct(public array $groups, public array $items)
    {
    }

    public static function id(): KindId
    {
        return KindId::Groups;
    }

    public static function facts(): KindFacts
    {
        return new KindFacts(
            names: ['groups', 'sorting into groups'],
            opening: ['groups'],
            words: [
                LineWord::line('group'),
                LineWord::line('item'),
                LineWord::line('spare item'),
                LineWord::below('earns'),
                LineWord::below('loses'),
            ],
            line: 'item',
            how: 'Put each into its group.',
            form: ResponseForm::MixedParts,
            field: 'groups',
            lists: ['items'],
            texts: ['groups.*' => TextSort::Target, 'items.*.text' => TextSort::Part],
            empty: [
                'groups' => ['', ''],
                'items' => array_map(static fn (int $id): array => ['id' => $id, 'text' => '', 'belongs' => ['1']], [1, 2]),
            ],
            template: "groups: {Where does each belong?}\n  marking: parts\n  group: {a group}\n    item: {what is in it}\n  group: {another group}\n    item: {what is in that}\n  spare item: {belongs to none}\n",
            listOrder: ListOrder::Shuffled,
            rules: ['whole', 'parts', 'weighed'],
            settings: [Setting::Shuffle, Setting::Layout, Setting::WrongPartCosts],
            defaults: [Setting::WrongPartCosts->value => '0'],
        );
    }

    public static function read(Line $opening, array $parts, Settings $own, Problems $problems): self
    {
        $groups = [];
        $items = [];
        foreach ($parts as $part) {
            if ($part->word === 'group') {
                $groups[] = Texts::tidy($part->text);
            } elseif ($part->word === 'item' && $groups === []) {
                $problems->at($part, 'an `item:` stands below its `group:`');
            } elseif ($part->word === 'item') {
                $items[] = new Part(
                    count($items) + 1,
                    $part->text,
                    [(string) count($groups)],
                    null,
                    Part::pointsBelow($part, 'earns', $problems),
                    Part::pointsBelow($part, 'loses', $problems),
                );
            }
        }
        foreach ($parts as $part) {
            if ($part->word === 'spare item') {
                $items[] = new Part(count($items) + 1, $part->text, [], null, null, Part::pointsBelow($part, 'loses', $problems));
            }
        }

        return new self($groups, $items);
    }

    public static function fromData(Fields $data): self
    {
        return new self($data->texts('groups'), array_map(Part::fromData(...), $data->objects('items')));
    }

    public function toData(): array
    {
        return ['groups' => $this->groups, 'items' => array_map(static fn (Part $p): array => $p->toData(), $this->items)];
    }

    public function toLines(string $stem): array
    {
        $lines = [Line::written('groups', $stem)];
        foreach ($this->groups as $i => $name) {
            $lines[] = Line::written('group', $name);
            foreach ($this->items as $item) {
                if ($item->belongs === [(string) ($i + 1)]) {
                    $lines[] = Line::written('item', $item->text, $item->pointLines());
                }
            }
        }
        foreach ($this->items as $item) {
            if ($item->isSpare()) {
                $lines[] = Line::written('spare item', $item->text, $item->pointLines());
            }
        }

        return $lines;
    }

    public function verify(EffectiveSettings $settings, string $stem): void
    {
        if (count($this->groups) < 2 || in_array('', $this->groups, true)) {
            throw new InvalidQuestion('it needs at least two groups, each with a name', 'group');
        }
        if (array_filter($this->items, static fn (Part $p): bool => !$p->isSpare()) === []) {
            throw new InvalidQuestion('no item belongs to a group', 'item');
        }
        Part::verifyPoints($this->items, $settings, 'item');
    }

    public function space(EffectiveSettings $settings): IndependentParts
    {
        $spares = array_filter($this->items, static fn (Part $p): bool => $p->isSpare()) !== [];
        $values = [];
        foreach ($this->items as $item) {
            $values[$item->id] = $spares ? ['', ...$this->targets()] : $this->targets();
        }

        return new IndependentParts('groups', $values, $this->same());
    }

    public function keyInWords(): array
    {
        return AnswerLine::written(
            array_map(
                fn (string $name, int $i): string => $name .
                    ': ' .
                    implode(
                        ', ',
                        array_map(
                            static fn (Part $p): string => $p->text,
                            array_filter($this->items, static fn (Part $p): bool => $p->belongs === [(string) ($i + 1)]),
                        ),
                    ),
                $this->groups,
                array_keys($this->groups),
            ),
        );
    }

    public function shownToCandidate(array $order, EffectiveSettings $settings, bool $checked = false): array
    {
        return ['groups' => $this->groups, 'items' => Part::textsInOrder($this->items, $order[0] ?? [])];
    }

    protected function targetInWords(string $target): string
    {
        return $this->groups[(int) $target - 1];
    }

    protected function parts(): array
    {
        return $this->items;
    }

    protected function targets(): array
    {
        return array_map(static fn (int $n): string => (string) $n, range(1, count($this->groups)));
    }

    protected function takes(Part $part): array
    {
        return $part->belongs;
    }

    protected function same(): array
    {
        return Part::same($this->items);
    }
}
