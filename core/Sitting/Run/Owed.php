<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Run;

use Zetema\Core\Blueprint\Rules\Rule;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\Paper\Screen;
use Zetema\Core\Sitting\State\At;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Time\Instant;

/** Whether a question that must be answered would be left for good with nothing given. */
final readonly class Owed
{
    /** @var list<QuestionPlace> questions that must be answered */
    private array $must;

    public function __construct(private Paper $paper, private Walk $walk)
    {
        $this->must = array_values(
            array_filter($paper->questions, static fn (QuestionPlace $place): bool => $place->rules->flag(Rule::MustAnswer)),
        );
    }

    public function byGoingOn(State $state): bool
    {
        $here = $state->position->node;
        $screen = $this->paper->nodes[$here] ?? null;
        if (!$state->position->isAt(At::Node) || !($screen instanceof Screen)) {
            return false;
        }
        $stretch = $this->paper->stretch($here);
        $leaves = $here === $stretch[count($stretch) - 1] && (!$screen->isAnyOrder || isset($this->paper->nodes[$here + 1]));

        return $leaves ? $this->isBlank($state, $stretch) : $this->byLeavingScreen($state);
    }

    /** Moving within a stretch leaves only questions with a time of their own for good. */
    public function byLeavingScreen(State $state): bool
    {
        return $state->position->isAt(At::Node) && $this->isBlank($state, [$state->position->node], timedOnly: true);
    }

    /** Whether the walk to the end would close one blank, reached or not. */
    public function atHandIn(State $state, Instant $at): bool
    {
        if ($this->must === []) {
            return false;
        }
        $after = clone $state;
        $this->walk->rest($after, $at, drops: false);
        foreach ($this->must as $place) {
            if ($state->visit($place->id)->closed === null && $after->visit($place->id)->blank !== null) {
                return true;
            }
        }

        return false;
    }

    /** @param list<int> $nodes */
    private function isBlank(State $state, array $nodes, bool $timedOnly = false): bool
    {
        foreach ($this->must as $place) {
            $visit = $state->visit($place->id);
            if (
                $visit->closed === null &&
                $visit->isBlank() &&
                (!$timedOnly || $place->seconds !== null) &&
                in_array($this->paper->nodeOf($place->id), $nodes, true)
            ) {
                return true;
            }
        }

        return false;
    }
}
