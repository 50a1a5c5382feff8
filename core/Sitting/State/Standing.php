<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\State;

use Zetema\Core\Blueprint\Rules\RoundStands;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Response\ChosenChoices;
use Zetema\Core\Sitting\Paper\QuestionPlace;

/** The mark that stands of all that were made at a question. */
final readonly class Standing
{
    /** @param Outcome $outcome the mark's own; where time ran out and the best stands, "out of time" */
    private function __construct(public Mark $mark, public Outcome $outcome)
    {
    }

    /** Within a round the last or the best, between rounds as the refresher's rule says; a round without a mark does not count. */
    public static function of(QuestionPlace $place, Visit $visit): ?self
    {
        $standing = null;
        foreach ($visit->rounds as $marks) {
            $here = self::inRound($marks, $place->bestStands());
            if ($here === null || ($standing !== null && $place->refresher?->stands === RoundStands::First)) {
                continue;
            }
            if (
                $standing === null ||
                $place->refresher?->stands !== RoundStands::Best ||
                $here->mark->verdict->earned->compare($standing->mark->verdict->earned) > 0
            ) {
                $standing = $here;
            }
        }

        return $standing ?? ($visit->blank === null ? null : new self($visit->blank, $visit->blank->verdict->outcome));
    }

    /** @return list<int> choices of its response, where it counts */
    public function chosen(): array
    {
        return $this->mark->counts ? ChosenChoices::in($this->mark->response) : [];
    }

    /** @param list<Mark> $marks */
    private static function inRound(array $marks, bool $best): ?self
    {
        $last = $marks[count($marks) - 1] ?? null;
        if ($last === null) {
            return null;
        }
        $standing = $last;
        if ($best) {
            $standing = $marks[0];
            foreach ($marks as $mark) {
                $standing = $mark->verdict->earned->compare($standing->verdict->earned) > 0 ? $mark : $standing;
            }
        }

        return new self($standing, $last->isLate() ? Outcome::OutOfTime : $standing->verdict->outcome);
    }
}
