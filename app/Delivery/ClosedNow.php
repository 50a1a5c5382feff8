<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Zetema\App\Admission\Admissions;
use Zetema\App\Blueprint\Editions\Editions;
use Zetema\App\Blueprint\SittingsOfAssessments;
use Zetema\Core\Sitting\Candidacy;
use Zetema\Core\Time\Instant;

/**
 * Whether an assessment has closed, as is said now: what a review tells only then must not be told while others may still begin, or
 * still sit, whatever was said when this sitting ended.
 */
final readonly class ClosedNow
{
    public function __construct(private Admissions $admissions, private Editions $editions, private SittingsOfAssessments $sittings)
    {
    }

    public function isFor(Sitting $sitting, Instant $now, ?Candidacy $candidacy = null): bool
    {
        if ($sitting->isRehearsal()) {
            return false;
        }
        $candidacy ??= $this->admissions->candidacy($sitting->blueprint, $sitting->account);

        $blueprint = $sitting->blueprint;
        $isOver = $candidacy->closes !== null && $candidacy->hasClosed($now);

        return ($isOver || $blueprint->isPutAway() || $this->editions->newest($blueprint)?->isOver() === true) &&
            $this->sittings->running($blueprint) === [];
    }
}
