<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds;

use Zetema\Core\Question\Response\Response;

/** A kind whose answers add to tallies. */
interface Tallied
{
    /** What a response adds to a tally. */
    public function adds(string $tally, Response $response): int;

    /** @return array{int, int} the least and the most that an answer can add to it */
    public function span(string $tally): array;
}
