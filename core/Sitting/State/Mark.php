<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\State;

use Zetema\Core\Marking\Verdict;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Time\Instant;

/** A mark as it was made: of which response, at which attempt, and what was shown then. */
final readonly class Mark
{
    /**
     * @param int $attempt of the round; 0 for a question that was left blank
     * @param bool $counts whether the response counts: what was entered and then dropped, or came too late, does not
     * @param int $hints that were open
     * @param Points $lost what they took off
     * @param list<string|null> $feedback the author's texts that were shown, the outcome's first; null in its place where the house's text
     *   shows
     */
    public function __construct(
        public Instant $at,
        public int $round,
        public int $attempt,
        public Response $response,
        public Verdict $verdict,
        public bool $counts,
        public array $feedback,
        public MarkReason $reason,
        public int $hints,
        public Points $lost,
    ) {
    }

    /** Whether the question's clock had run out. */
    public function isLate(): bool
    {
        return $this->reason === MarkReason::RanOut;
    }
}
