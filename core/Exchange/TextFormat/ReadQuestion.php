<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TextFormat;

use Zetema\Core\Question\Problem;
use Zetema\Core\Question\Question;

/** What was understood of one question's lines: the question, or the problems that keep it from being one. */
final readonly class ReadQuestion
{
    /**
     * @param int $fromLine 1-based, the opening line
     * @param int $toLine the last line that belongs to it
     * @param list<Problem> $problems
     */
    public function __construct(public int $fromLine, public int $toLine, public ?Question $question, public array $problems)
    {
    }
}
