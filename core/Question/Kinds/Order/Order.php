<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Order;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Answers\Part;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kinds\Common\ResponseReader;
use Zetema\Core\Question\Kinds\Kind;
use Zetema\Core\Question\Kinds\KindFacts;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\LineWord;
use Zetema\Core\Question\Kinds\ListOrder;
use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Response\OrderedItems;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseForm;
use Zetema\Core\Question\Response\Space\Arrangements;
use Zetema\Core\Question\Scoring\Criterion;
use Zetema\Core\Question\Scoring\Look;
use Zetema\Core\Question\Scoring\Scoring;
use Zetema\Core\Question\Scoring\ShareRule;
use Zetema\Core\Question\Scoring\Sought\AtPlace;
use Zetema\Core\Question\Scoring\Sought\Following;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Marking;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Question\Texts\TextSort;

/** Ordering: items are written in the right order and put into it by the candidate. */
final readonly class Order implements Kind
{
    /** @param list<Part> $items in the right order */
    public function __construct(public array $items)
    {
    }

    public static function id(): KindId
    {
        return KindId::Order;
    }

    public static function facts(): KindFacts
    {
        return new KindFacts(
            names: ['order', 'ordering'],
            opening: ['order'],
            words: [LineWord::line('item')],
            line: 'item',
            how: 'Put them in order: drag, or press up and down.',
            form: ResponseForm::Order,
            field: 'order',
            lists: ['items'],
            texts: ['items.*.text' => TextSort::Part],
            empty: ['items' => array_map(static fn (int $id): array => ['id' => $id, 'text' => ''], [1, 2, 3])],
            template: "order: {Put these in order.}\n  marking: parts by neighbour\n  item: {first}\n  item: {second}\n  item: {third}\n",
            listOrder: ListOrder::ShuffledUnsolved,
            rules: ['whole', 'parts by place', 'parts by neighbour'],
            settings: [Setting::Layout],
        );
    }

    public static function read(Line $opening, array $parts, Settings $own, Problems $problems): self
    {
        $items = [];
        foreach ($parts as $part) {
            if ($part->below !== []) {
                $problems->at($part->below[0], sprintf('`%s:` does not belong to an item of an order', $part->below[0]->word));
            }
            $items[] = new Part(count($items) + 1, $part->text);
        }

        return new self($items);
    }

    public static function fromData(Fields $data): self
    {
        return new self(array_map(Part::fromData(...), $data->objects('items')));
    }

    public function toData(): array
    {
        return ['items' => array_map(static fn (Part $p): array => $p->toData(), $this->items)];
    }

    public function toLines(string $stem): array
    {
        return [Line::written('order', $stem), ...array_map(static fn (Part $p): Line => Line::written('item', $p->text), $this->items)];
    }

    public function verify(EffectiveSettings $settings, string $stem): void
    {
        if (count($this->items) < 2) {
            throw new InvalidQuestion('it needs at least two items to put in order', 'item');
        }
        Part::verifyPoints($this->items, $settings, 'item');
        if (count(Part::same($this->items)) === 1 && count(Part::same($this->items)[0]) === count($this->items)) {
            throw new InvalidQuestion('all items are the same, so every order is right', 'item');
        }
    }

    public function response(mixed $given, EffectiveSettings $settings, bool $complete = true): Response
    {
        $fields = ResponseReader::field($given, 'order');
        if ($fields === null) {
            return Response::blank();
        }
        $order = $fields->integers('order');
        $wanted = $this->lineIds();
        $sorted = $order;
        sort($sorted);
        sort($wanted);
        if ($order !== [] && $sorted !== $wanted) {
            throw new Malformed('order', 'must name each item once');
        }

        return Response::ordering($order);
    }

    public function scoring(EffectiveSettings $settings): Scoring
    {
        $marking = $settings->marking();
        $criteria = [];
        foreach ($this->items as $i => $item) {
            if ($marking !== Marking::PartsByNeighbour) {
                $criteria[] = Criterion::right(new AtPlace($i + 1, $this->like($item)));
            } elseif (isset($this->items[$i + 1])) {
                $criteria[] = Criterion::right(new Following($this->like($item), $this->like($this->items[$i + 1])));
            }
        }

        return new Scoring(
            Look::Order,
            $criteria,
            $marking === Marking::Whole ? ShareRule::Whole : ShareRule::Share,
            Ratio::of(count($criteria)),
            Ratio::zero(),
            $settings->points(Setting::Points),
        );
    }

    public function notYet(Response $response, EffectiveSettings $settings): ?string
    {
        return null;
    }

    public function space(EffectiveSettings $settings): Arrangements
    {
        return new Arrangements($this->lineIds());
    }

    public function isListable(): bool
    {
        return true;
    }

    /** The right order, the other way round, and each two neighbours changed. */
    public function telling(EffectiveSettings $settings): iterable
    {
        $right = $this->lineIds();
        yield Response::ordering($right);
        yield Response::ordering(array_reverse($right));
        for ($i = 0; $i < count($right) - 1; ++$i) {
            $items = $right;
            [$items[$i], $items[$i + 1]] = [$items[$i + 1], $items[$i]];
            yield Response::ordering(array_values($items));
        }
    }

    public function says(Response $response, array $found): array
    {
        return [];
    }

    public function shuffledLists(): array
    {
        return [$this->lineIds()];
    }

    public function shownToCandidate(array $order, EffectiveSettings $settings, bool $checked = false): array
    {
        return ['items' => Part::textsInOrder($this->items, $order[0] ?? [])];
    }

    public function inWords(Response $response, bool $withKey = false): array
    {
        return AnswerLine::written(Part::textsInOrder($this->items, OrderedItems::in($response)));
    }

    public function choices(): array
    {
        return [];
    }

    public function lineIds(): array
    {
        return array_map(static fn (Part $p): int => $p->id, $this->items);
    }

    public function saysAnything(): bool
    {
        return false;
    }

    public function keyTexts(): array
    {
        return [];
    }

    public function keyInWords(): array
    {
        return array_map(
            static fn (Part $p, int $i): AnswerLine => new AnswerLine($p->text, before: (string) ($i + 1)),
            $this->items,
            array_keys($this->items),
        );
    }

    /** @return list<int> ids of the items with the same text */
    private function like(Part $item): array
    {
        $same = array_filter($this->items, static fn (Part $p): bool => $p->text === $item->text);

        return array_values(array_map(static fn (Part $p): int => $p->id, $same));
    }
}
