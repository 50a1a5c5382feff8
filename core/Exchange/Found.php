<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange;

use Zetema\Core\Question\Problem;
use Zetema\Core\Question\Question;

/** One question found in a source: whole, or the problems that keep it from being so and the text that stays. */
final readonly class Found
{
    /**
     * @param int $fromLine 1-based, where it begins
     * @param int $toLine the last line that belongs to it
     * @param list<Problem> $problems none for a whole question, nor for one that is kept for what is told of the whole source
     * @param string $why how kind and key were recognised, where that is not plain to see
     * @param string $kept what was typed, where it is not whole
     * @param bool $isKindSaid whether its source says which kind it is; else it looks like it
     */
    public function __construct(
        public int $fromLine,
        public int $toLine,
        public ?Question $question,
        public array $problems,
        public string $why = '',
        public string $kept = '',
        public bool $isKindSaid = false,
    ) {
    }
}
