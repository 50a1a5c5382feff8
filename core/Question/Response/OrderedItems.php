<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response;

/** All items, in the order placed. */
final readonly class OrderedItems extends Response
{
    /** @param non-empty-list<int> $items */
    protected function __construct(public array $items)
    {
    }

    /** @return list<int> the items of a response in the order placed; none where it is of another sort */
    public static function in(Response $response): array
    {
        return $response instanceof self ? $response->items : [];
    }

    /** @return array{order: list<int>} */
    public function toData(): array
    {
        return ['order' => $this->items];
    }
}
