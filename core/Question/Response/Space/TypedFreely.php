<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response\Space;

use Zetema\Core\Question\Response\ResponseSpace;

/** Anything can be typed: nothing can be listed, and a blind guess earns nothing. */
final readonly class TypedFreely implements ResponseSpace
{
    public function count(bool $partial = false): int
    {
        return 0;
    }

    public function all(bool $partial = false): \Generator
    {
        yield from [];
    }
}
