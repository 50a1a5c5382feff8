<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response;

/** Clicks into a picture. */
final readonly class ClickedPoints extends Response
{
    /** @param non-empty-list<array{int, int}> $points image pixels, origin top left */
    protected function __construct(public array $points)
    {
    }

    /** @return list<array{int, int}> the clicks of a response; none where it is of another sort */
    public static function in(Response $response): array
    {
        return $response instanceof self ? $response->points : [];
    }

    /** @return array{points: list<array{int, int}>} */
    public function toData(): array
    {
        return ['points' => $this->points];
    }
}
