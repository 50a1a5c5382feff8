<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting;

use Zetema\Core\Marking\Verdict;
use Zetema\Core\Question\Response\Response;

/** One checked response with its verdict and what was said. */
final readonly class Attempt
{
    /**
     * @param string $facts such as "Wrong. One attempt left."
     * @param list<string> $said what the author wrote for this case, paragraphs in the small Markdown
     */
    public function __construct(public int $number, public Response $response, public Verdict $verdict, public string $facts, public array $said)
    {
    }
}
