<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Common;

/** A kind that is answered by a number: what is accepted can be drawn on a line. */
interface OnNumberLine
{
    /**
     * @return list<array{words: string, from: string|null, fromIncluded: bool, to: string|null, toIncluded: bool, share: string}> ends and
     *   shares as decimals or fractions
     */
    public function drawn(): array;
}
