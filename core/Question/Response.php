<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

/** What a candidate gave: checked, in the one form in which it is stored, marked and shown. */
final readonly class Response
{
    /**
     * @param list<int> $chosen ids of the choices, rising
     * @param string|null $text as typed
     */
    private function __construct(public array $chosen, public ?string $text)
    {
    }

    public static function blank(): self
    {
        return new self([], null);
    }

    /** @param list<int> $ids */
    public static function choosing(array $ids): self
    {
        sort($ids);

        return new self($ids, null);
    }

    public static function typed(string $text): self
    {
        return new self([], preg_match('/[^\p{Z}\s]/u', $text) === 1 ? $text : null);
    }

    public function isBlank(): bool
    {
        return $this->chosen === [] && $this->text === null;
    }

    /** @return array{choose: list<int>}|array{text: string}|null */
    public function toData(): ?array
    {
        return match (true) {
            $this->isBlank() => null,
            $this->text !== null => ['text' => $this->text],
            default => ['choose' => $this->chosen],
        };
    }
}
