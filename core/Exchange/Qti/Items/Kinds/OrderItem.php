<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items\Kinds;

use Zetema\Core\Exchange\Qti\Marks\Answered;
use Zetema\Core\Exchange\Qti\Marks\Marking;
use Zetema\Core\Exchange\Qti\Marks\Tried;
use Zetema\Core\Exchange\Qti\Variables\ResponseDeclaration;
use Zetema\Core\Exchange\Written\QuestionLines;

/** Things to be put in an order; they are here in the right one. */
final class OrderItem implements Answered
{
    /** @var list<list<int>> orders that are tried, by places from 1; the first is none */
    private readonly array $orders;

    /** @param list<array{identifier: string, text: string}> $items in the right order */
    public function __construct(
        private readonly string $stem,
        private readonly array $items,
        private readonly ResponseDeclaration $declaration,
        private readonly int $line,
    ) {
        $right = range(1, count($items));
        $orders = [[], $right];
        for ($i = 0; $i + 1 < count($right); ++$i) {
            $swapped = $right;
            array_splice($swapped, $i, 2, [$swapped[$i + 1], $swapped[$i]]);
            $orders[] = $swapped;
        }
        $this->orders = [...$orders, [...array_slice($right, 1), 1], array_reverse($right)];
    }

    public function tries(): array
    {
        return array_map(
            fn (array $order): Tried => new Tried(
                [
                    $this->declaration->identifier => $this->declaration->value(
                        array_map(fn (int $i): string => $this->items[$i - 1]['identifier'], $order),
                    ),
                ],
                $order === [] ? null : ['order' => $order],
            ),
            $this->orders,
        );
    }

    public function settle(array $marks): void
    {
    }

    public function allRight(): int
    {
        return 1;
    }

    public function parts(int $try): array
    {
        $right = count(array_filter($this->orders[$try], static fn (int $item, int $i): bool => $item === $i + 1, ARRAY_FILTER_USE_BOTH));

        return [$right, count($this->orders[$try]) - $right];
    }

    public function partCount(): int
    {
        return count($this->items);
    }

    public function rules(): array
    {
        return ['whole', 'parts by place', 'parts by neighbour'];
    }

    public function weighed(array $marks): array
    {
        return [];
    }

    public function lines(Marking $marking, array $says = []): QuestionLines
    {
        $lines = new QuestionLines('order', $this->stem, $this->line);
        foreach ($this->items as $item) {
            $lines->add('item', $item['text']);
        }

        return $lines;
    }
}
