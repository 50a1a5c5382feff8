<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response\Space;

use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseSpace;

/** All items, in some order. */
final readonly class Arrangements implements ResponseSpace
{
    /** @param list<int> $items */
    public function __construct(public array $items)
    {
    }

    public function count(bool $partial = false): int
    {
        return Ways::falling(count($this->items), count($this->items));
    }

    public function all(bool $partial = false): \Generator
    {
        yield from $this->permutations([], $this->items);
    }

    /**
     * @param list<int> $placed
     * @param list<int> $left
     *
     * @return \Generator<int, Response>
     */
    private function permutations(array $placed, array $left): \Generator
    {
        if ($left === []) {
            yield Response::ordering($placed);
        }
        foreach ($left as $i => $item) {
            $rest = $left;
            array_splice($rest, $i, 1);
            yield from $this->permutations([...$placed, $item], $rest);
        }
    }
}
