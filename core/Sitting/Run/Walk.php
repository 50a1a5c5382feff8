<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Sitting\Paper\CheckpointPlace;
use Zetema\Core\Sitting\Paper\PagePlace;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\State\At;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Time\Instant;

/**
 * The rest of a candidate's path, walked for them when time runs out or the paper is handed in: each step as if it were left at once,
 * blank; checkpoints decide, leads are followed, nobody is sent to a refresher.
 */
final readonly class Walk
{
    public function __construct(private Paper $paper, private Ways $ways, private Moves $moves)
    {
    }

    /**
     * @param bool $drops whether what was saved and not checked counts nothing
     * @param int|null $within the section that is walked; null: all
     *
     * @return int the first node that was not walked
     */
    public function rest(State $state, Instant $at, bool $drops, ?int $within = null): int
    {
        $node = $this->fromHere($state, $at, $drops);
        while (isset($this->paper->nodes[$node]) && ($within === null || $this->paper->sectionOf($node) === $within)) {
            $node = $this->through($state, $node, $at, $drops);
        }

        return $node;
    }

    /** What lies open where the candidate is; then the node that follows. */
    private function fromHere(State $state, Instant $at, bool $drops): int
    {
        $position = $state->position;
        $node = $this->paper->nodes[$position->node] ?? null;
        if ($position->isAt(At::Lead)) {
            return $this->ways->afterLead($position);
        }
        if ($position->isAt(At::End)) {
            $this->moves->leaveStretch($state, $position->node, $at, $drops);

            return count($this->paper->nodes);
        }
        if ($node instanceof CheckpointPlace) {
            return $state->decided;
        }

        return $node === null ? count($this->paper->nodes) : $this->through($state, $position->node, $at, $drops);
    }

    private function through(State $state, int $node, Instant $at, bool $drops): int
    {
        $here = $this->paper->nodes[$node];
        if ($here instanceof CheckpointPlace) {
            return $this->ways->decide($state, $here, $node);
        }
        $this->moves->leaveStretch($state, $node, $at, $drops);
        $place = $here->places[0];
        if ($here->isAnyOrder || $here->isShared) {
            $stretch = $this->paper->stretch($node);

            return $stretch[count($stretch) - 1] + 1;
        }

        return $place instanceof PagePlace
            ? $this->ways->afterPage($place, $node)
            : $this->ways->after($this->ways->lead($state, $place), $node);
    }
}
