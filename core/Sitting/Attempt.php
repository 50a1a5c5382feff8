<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting;

use Zetema\Core\Marking\Verdict;
use Zetema\Core\Question\Response;

/** One checked response with its verdict and what was said. */
final readonly class Attempt
{
    /** @param list<string> $said paragraphs in the small Markdown */
    public function __construct(public int $number, public Response $response, public Verdict $verdict, public array $said)
    {
    }
}
