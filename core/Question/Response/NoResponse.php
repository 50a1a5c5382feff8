<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response;

/** Nothing was given. */
final readonly class NoResponse extends Response
{
    public function toData(): null
    {
        return null;
    }
}
