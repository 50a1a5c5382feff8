<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response;

/** A text or a number, as typed. */
final readonly class TypedText extends Response
{
    protected function __construct(public string $text)
    {
    }

    /** What was typed in a response; null where it is of another sort. */
    public static function in(Response $response): ?string
    {
        return $response instanceof self ? $response->text : null;
    }

    /** @return array{text: string} */
    public function toData(): array
    {
        return ['text' => $this->text];
    }
}
