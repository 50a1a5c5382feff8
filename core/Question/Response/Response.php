<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response;

/** What a candidate gave: checked, in the one form in which it is stored, marked and shown. */
final readonly class Response
{
    /**
     * @param string $field "choose", "text", "gaps", "pairs", "groups", "order", "points" or "place"; "" if nothing was given
     * @param list<int> $chosen ids of the choices, rising
     * @param string|null $text as typed
     * @param array<int, string> $map part → what was given for it, empty ones left out
     * @param list<int> $order items in the order placed
     * @param list<array{int, int}> $clicks image pixels, origin top left
     */
    private function __construct(
        public string $field,
        public array $chosen = [],
        public ?string $text = null,
        public array $map = [],
        public array $order = [],
        public array $clicks = [],
    ) {
    }

    public static function blank(): self
    {
        return new self('');
    }

    /** @param list<int> $ids */
    public static function choosing(array $ids): self
    {
        sort($ids);

        return $ids === [] ? self::blank() : new self('choose', chosen: $ids);
    }

    public static function typed(string $text): self
    {
        return self::isBlankText($text) ? self::blank() : new self('text', text: $text);
    }

    /** @param array<int, string> $map empty and blank parts count as not given */
    public static function mapping(string $field, array $map): self
    {
        $filled = array_filter($map, static fn (string $value): bool => !self::isBlankText($value));

        return $filled === [] ? self::blank() : new self($field, map: $filled);
    }

    /** @param list<int> $items */
    public static function ordering(array $items): self
    {
        return $items === [] ? self::blank() : new self('order', order: $items);
    }

    /** @param list<array{int, int}> $clicks */
    public static function clicking(array $clicks): self
    {
        return $clicks === [] ? self::blank() : new self('points', clicks: $clicks);
    }

    public function isBlank(): bool
    {
        return $this->field === '';
    }

    /** @return array<string, mixed>|null */
    public function toData(): ?array
    {
        return match ($this->field) {
            '' => null,
            'choose' => ['choose' => $this->chosen],
            'text' => ['text' => $this->text],
            'order' => ['order' => $this->order],
            'points' => ['points' => $this->clicks],
            default => [$this->field => (object) $this->map],
        };
    }

    private static function isBlankText(string $text): bool
    {
        return preg_match('/[^\p{Z}\s\x{85}]/u', $text) !== 1;
    }
}
