<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Variables;

use Zetema\Core\Numbers\Ratio;

/** A value while response processing runs. What the standard calls NULL is null; a container is never empty. */
final readonly class Value
{
    private const NUMBER = '/^[+-]?(?:\d{1,60}(?:\.\d{0,60})?|\.\d{1,60})(?:[eE][+-]?\d{1,2})?$/';

    /**
     * @param string $type identifier, string, integer, float, boolean, point, pair, directedPair …
     * @param string $cardinality single, multiple or ordered
     * @param non-empty-list<Ratio|string> $items numbers as ratios, all else as written; the two of a pair in the order of letters
     */
    private function __construct(public string $type, public string $cardinality, public array $items)
    {
    }

    /** @param list<string> $written */
    public static function of(string $type, string $cardinality, array $written): ?self
    {
        $items = [];
        foreach ($written as $item) {
            $item = $type === 'string' ? $item : trim(preg_replace('/\s+/', ' ', $item) ?? '');
            $items[] = match ($type) {
                'integer', 'float' => self::number($item),
                'pair' => self::sorted($item),
                'boolean' => in_array($item, ['true', '1'], true) ? 'true' : 'false',
                default => $item,
            };
        }
        $items = array_values(array_filter($items, static fn (Ratio|string|null $i): bool => $i !== null && $i !== ''));

        return $items === [] ? null : new self($type, $cardinality, $cardinality === 'single' ? [$items[0]] : $items);
    }

    public static function ofNumber(Ratio $number): self
    {
        return new self('float', 'single', [$number]);
    }

    public static function ofTruth(bool $holds): self
    {
        return new self('boolean', 'single', [$holds ? 'true' : 'false']);
    }

    /** @param list<self> $values */
    public static function container(string $cardinality, array $values): ?self
    {
        $items = array_merge(...array_map(static fn (self $v): array => $v->items, $values));

        return $items === [] ? null : new self($values[0]->type, $cardinality, $items);
    }

    /** One of a container, from 1. */
    public function at(int $place): ?self
    {
        return isset($this->items[$place - 1]) ? new self($this->type, 'single', [$this->items[$place - 1]]) : null;
    }

    public static function number(string $written): ?Ratio
    {
        if (preg_match(self::NUMBER, $written) !== 1) {
            return null;
        }
        [$digits, $exponent] = [...explode('e', strtolower($written)), '0'];
        [$whole, $decimals] = [...explode('.', $digits), ''];
        $number = Ratio::of((in_array($whole, ['', '+', '-'], true) ? $whole . '0' : $whole) . ($decimals === '' ? '' : '.' . $decimals));
        $ten = Ratio::of('1' . str_repeat('0', abs((int) $exponent)));

        return (int) $exponent < 0 ? $number->dividedBy($ten) : $number->multipliedBy($ten);
    }

    public function isTrue(): bool
    {
        return $this->type === 'boolean' && $this->items[0] === 'true';
    }

    /** Null if it is none, or several. */
    public function asNumber(): ?Ratio
    {
        return count($this->items) === 1 && $this->items[0] instanceof Ratio ? $this->items[0] : null;
    }

    /** @return list<string> to compare and to write */
    public function texts(): array
    {
        return array_map(static fn (Ratio|string $i): string => (string) $i, $this->items);
    }

    public function equals(self $other): bool
    {
        [$these, $those] = [$this->texts(), $other->texts()];
        if ($this->cardinality === 'multiple' || $other->cardinality === 'multiple') {
            sort($these);
            sort($those);
        }

        return $these === $those;
    }

    private static function sorted(string $pair): string
    {
        $two = explode(' ', $pair);
        sort($two);

        return implode(' ', $two);
    }
}
