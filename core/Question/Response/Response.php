<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response;

/** What a candidate gave: checked, in the one form in which it is stored, marked and shown. */
abstract readonly class Response
{
    public static function blank(): NoResponse
    {
        return new NoResponse();
    }

    /** @param list<int> $ids of the choices made; none: blank */
    public static function choosing(array $ids): self
    {
        sort($ids);

        return $ids === [] ? self::blank() : new ChosenChoices($ids);
    }

    public static function typed(string $text): self
    {
        return self::isBlankText($text) ? self::blank() : new TypedText($text);
    }

    /** @param array<int, string> $map empty and blank parts count as not given */
    public static function mapping(string $field, array $map): self
    {
        $filled = array_filter($map, static fn (string $value): bool => !self::isBlankText($value));

        return $filled === [] ? self::blank() : new FilledParts($field, $filled);
    }

    /** @param list<int> $items */
    public static function ordering(array $items): self
    {
        return $items === [] ? self::blank() : new OrderedItems($items);
    }

    /** @param list<array{int, int}> $points */
    public static function clicking(array $points): self
    {
        return $points === [] ? self::blank() : new ClickedPoints($points);
    }

    public function isBlank(): bool
    {
        return $this instanceof NoResponse;
    }

    /** @return array<string, mixed>|null */
    abstract public function toData(): ?array;

    private static function isBlankText(string $text): bool
    {
        return preg_match('/[^\p{Z}\s\x{85}]/u', $text) !== 1;
    }
}
