<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Response;

/** The responses that can be given to a question, described so that they can be listed, counted and guessed among. */
interface ResponseSpace
{
    /**
     * How many there are; PHP_INT_MAX if they are too many to list.
     *
     * @param bool $partial whether those count, too, in which something is left open
     */
    public function count(bool $partial = false): int;

    /**
     * One after the other; the blank one only among partial ones.
     *
     * @return \Generator<int, Response>
     */
    public function all(bool $partial = false): \Generator;
}
