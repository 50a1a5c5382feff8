<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing\Stock;

use Zetema\Core\Question\Points;

/** What dealing needs to know of a question. */
final readonly class EligibleQuestion
{
    /**
     * @param string $id unique among the questions dealt from: its name, or its id in a bank
     * @param list<string> $objective path from the top
     * @param list<string> $tags
     * @param Points $worth 0 if it is not graded
     * @param list<string> $pools names of the pools it is in, among those that are asked for
     */
    public function __construct(
        public string $id,
        public string $kind,
        public array $objective,
        public array $tags,
        public ?string $difficulty,
        public Points $worth,
        public array $pools = [],
    ) {
    }
}
