<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response;

/** Choices that were made, or the value of a scale. */
final readonly class ChosenChoices extends Response
{
    /** @param non-empty-list<int> $choices their ids, rising */
    protected function __construct(public array $choices)
    {
    }

    /** @return list<int> the choices made in a response; none where it is of another sort */
    public static function in(Response $response): array
    {
        return $response instanceof self ? $response->choices : [];
    }

    /** @return array{choose: list<int>} */
    public function toData(): array
    {
        return ['choose' => $this->choices];
    }
}
