<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response\Space;

use Zetema\Core\Question\Response\FilledParts;

/** Each part is given a value that no other part has; as many as can be, unless partial. */
final readonly class Injections extends Maps
{
    /** @param list<string> $targets the same for each part */
    public static function of(string $field, array $targets, int ...$parts): self
    {
        return new self($field, array_fill_keys($parts, $targets));
    }

    /** @return list<string> */
    public function targets(): array
    {
        return $this->values[array_key_first($this->values)] ?? [];
    }

    /** How many parts are filled when as many are as can be. */
    public function needed(): int
    {
        return min(count($this->values), count($this->targets()));
    }

    public function count(bool $partial = false): int
    {
        $filled = range($partial ? 0 : $this->needed(), $this->needed());

        return Ways::sum(
            ...array_map(
                fn (int $k): int => Ways::product(Ways::choose(count($this->values), $k), Ways::falling(count($this->targets()), $k)),
                $filled,
            ),
        );
    }

    public function all(bool $partial = false): \Generator
    {
        $needed = $this->needed();
        $open = $partial || count($this->values) > $needed;
        foreach ($this->maps(array_map(static fn (array $v): array => $open ? ['', ...$v] : $v, $this->values), once: true) as $response) {
            if ($partial || count(FilledParts::in($response)) === $needed) {
                yield $response;
            }
        }
    }
}
