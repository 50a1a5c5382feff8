<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response;

/** What was given for each part: for gaps, left-hand sides, items, labels. */
final readonly class FilledParts extends Response
{
    /** @param non-empty-array<int, string> $parts what was given, by the part; empty ones left out */
    protected function __construct(public string $field, public array $parts)
    {
    }

    /** @return array<int, string> what was given in a response, by the part; nothing where it is of another sort */
    public static function in(Response $response): array
    {
        return $response instanceof self ? $response->parts : [];
    }

    /** @return array<string, object> */
    public function toData(): array
    {
        return [$this->field => (object) $this->parts];
    }
}
