<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response;

/** The responses that can be given to a question, described so that they can be listed, counted and guessed among. */
final readonly class ResponseSpace
{
    public const NOTHING = 'nothing';           // typed: a blind guess earns nothing
    public const SUBSETS = 'subsets';           // choices, from least to most of them
    public const INDEPENDENT = 'independent';   // each part one of its values, apart from the others
    public const INJECTIONS = 'injections';     // each value used once
    public const ARRANGEMENTS = 'arrangements'; // all items in some order
    public const CLICKS = 'clicks';             // pixels of an image

    /**
     * @param list<int> $items choices or items
     * @param array<int, list<string>> $values what each part may be given; "" is left out
     * @param list<list<int>> $same parts with the same text
     */
    private function __construct(
        public string $sort,
        public string $field = '',
        public array $items = [],
        public int $least = 1,
        public int $most = 1,
        public array $values = [],
        public array $same = [],
        public int $width = 0,
        public int $height = 0,
    ) {
    }

    public static function nothing(): self
    {
        return new self(self::NOTHING);
    }

    /** @param list<int> $choices */
    public static function subsets(array $choices, int $least, int $most): self
    {
        return new self(self::SUBSETS, 'choose', $choices, $least, $most);
    }

    /**
     * @param array<int, list<string>> $values
     * @param list<list<int>> $same
     */
    public static function independent(string $field, array $values, array $same = []): self
    {
        return new self(self::INDEPENDENT, $field, values: $values, same: $same);
    }

    /** @param array<int, list<string>> $values the same for each part */
    public static function injections(string $field, array $values): self
    {
        return new self(self::INJECTIONS, $field, values: $values);
    }

    /** @param list<int> $items */
    public static function arrangements(array $items): self
    {
        return new self(self::ARRANGEMENTS, 'order', $items);
    }

    /** Width and height 0: not known. */
    public static function clicks(int $most, int $width, int $height): self
    {
        return new self(self::CLICKS, 'points', most: $most, width: $width, height: $height);
    }

    /** How many there are; PHP_INT_MAX if they are too many to list. */
    public function count(bool $partial = false): int
    {
        $count = 0.0;
        $n = count($this->items);
        switch ($this->sort) {
            case self::SUBSETS:
                $count = $n > 40 ? INF : 0.0;
                for ($k = $this->least; $k <= min($n, $this->most) && $n <= 40; ++$k) {
                    $count += self::choose($n, $k);
                }
                break;
            case self::INDEPENDENT:
                $count = (float) array_product(array_map(static fn (array $v): int => count($v) + ($partial && !in_array('', $v, true) ? 1 : 0), $this->values));
                break;
            case self::INJECTIONS:
                $parts = count($this->values);
                $values = count($this->values[array_key_first($this->values)] ?? []);
                for ($k = $partial ? 0 : min($parts, $values); $k <= min($parts, $values); ++$k) {
                    $count += self::choose($parts, $k) * self::falling($values, $k);
                }
                break;
            case self::ARRANGEMENTS:
                $count = self::falling($n, $n);
                break;
            case self::CLICKS:
                $count = INF;
                break;
        }

        return $count > 1e15 ? PHP_INT_MAX : (int) $count;
    }

    /**
     * One after the other; the blank one only among partial ones.
     *
     * @return \Generator<int, Response>
     */
    public function all(bool $partial = false): \Generator
    {
        yield from match ($this->sort) {
            self::SUBSETS => $this->subsetResponses(0, []),
            self::INDEPENDENT => $this->maps(array_map(static fn (array $v): array => $partial && !in_array('', $v, true) ? ['', ...$v] : $v, $this->values), [], false),
            self::INJECTIONS => $this->injective($partial),
            self::ARRANGEMENTS => $this->permutations([], $this->items),
            default => [],
        };
    }

    /**
     * @param list<int> $chosen
     *
     * @return \Generator<int, Response>
     */
    private function subsetResponses(int $from, array $chosen): \Generator
    {
        if (count($chosen) >= $this->least && $chosen !== []) {
            yield Response::choosing($chosen);
        }
        if (count($chosen) < $this->most) {
            for ($i = $from; $i < count($this->items); ++$i) {
                yield from $this->subsetResponses($i + 1, [...$chosen, $this->items[$i]]);
            }
        }
    }

    /** @return \Generator<int, Response> as many parts filled as can be, unless partial */
    private function injective(bool $partial): \Generator
    {
        $needed = min(count($this->values), count($this->values[array_key_first($this->values)] ?? []));
        $open = $partial || count($this->values) > $needed;
        foreach ($this->maps(array_map(static fn (array $v): array => $open ? ['', ...$v] : $v, $this->values), [], true) as $response) {
            if ($partial || count($response->map) === $needed) {
                yield $response;
            }
        }
    }

    /**
     * @param array<int, list<string>> $values
     * @param array<int, string> $map
     *
     * @return \Generator<int, Response>
     */
    private function maps(array $values, array $map, bool $once): \Generator
    {
        if ($values === []) {
            yield Response::mapping($this->field, $map);

            return;
        }
        $part = array_key_first($values);
        foreach ($values[$part] as $value) {
            if (!$once || $value === '' || !in_array($value, $map, true)) {
                yield from $this->maps(array_slice($values, 1, null, true), $map + [$part => $value], $once);
            }
        }
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

    private static function choose(int $n, int $k): float
    {
        return self::falling($n, $k) / self::falling($k, $k);
    }

    private static function falling(int $n, int $k): float
    {
        return (float) array_product(array_map(static fn (int $i): float => (float) ($n - $i), $k === 0 ? [] : range(0, $k - 1)));
    }
}
