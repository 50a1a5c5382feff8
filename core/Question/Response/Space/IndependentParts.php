<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response\Space;

/** Each part is given one of its values, apart from the others. */
final readonly class IndependentParts extends Maps
{
    /**
     * @param array<int, list<string>> $values
     * @param list<list<int>> $same parts with the same text
     */
    public function __construct(string $field, array $values, public array $same = [])
    {
        parent::__construct($field, $values);
    }

    public function count(bool $partial = false): int
    {
        return Ways::product(
            ...array_map(
                static fn (array $v): int => count($v) + ($partial && !in_array('', $v, true) ? 1 : 0),
                array_values($this->values),
            ),
        );
    }

    public function all(bool $partial = false): \Generator
    {
        yield from $this->maps(
            array_map(static fn (array $v): array => $partial && !in_array('', $v, true) ? ['', ...$v] : $v, $this->values),
            once: false,
        );
    }
}
