<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response\Space;

use Zetema\Core\Question\Response\ResponseSpace;

/** Clicks on the pixels of an image: too many to list, yet they can be counted. */
final readonly class Clicks implements ResponseSpace
{
    /**
     * @param int $width in pixels; 0: not known
     * @param int $height in pixels; 0: not known
     */
    public function __construct(public int $most, public int $width, public int $height)
    {
    }

    public function count(bool $partial = false): int
    {
        return PHP_INT_MAX;
    }

    public function all(bool $partial = false): \Generator
    {
        yield from [];
    }
}
