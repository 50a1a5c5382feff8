<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Check;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Paths\ObjectiveShares;
use Zetema\Core\Blueprint\Reading\Refusal;

/** Minimums in objectives of which a form, or a path through it, may ask nothing or too little. */
final class MinimumAdvice
{
    /**
     * @param list<list<int>> $paths as ObjectiveShares has them
     *
     * @return list<Refusal> "minimum" and the objective: a draw of it puts it right
     */
    public static function on(Blueprint $blueprint, ObjectiveShares $shares, array $paths): array
    {
        $found = [];
        foreach ($blueprint->pass->minimums ?? [] as $minimum) {
            [$least, $most] = $shares->points($minimum->objective, $paths);
            if ($least->isZero()) {
                $found[] = new Refusal(
                    Refusal::BLUEPRINT,
                    'minimum ' . $minimum->objective,
                    sprintf(
                        $most->isZero()
                            ? 'nothing is asked of %s; its minimum does not apply'
                            : 'a form, or a path through it, may ask nothing of %s; its minimum does not apply then',
                        $minimum->objective,
                    ),
                );
            } elseif (!$minimum->mark->inPercent && $minimum->mark->value->compare($least) > 0) {
                $found[] = new Refusal(
                    Refusal::BLUEPRINT,
                    'minimum ' . $minimum->objective,
                    sprintf(
                        'in some forms %s has %s points in all; its minimum of %s cannot be reached then',
                        $minimum->objective,
                        $least,
                        $minimum->mark->value,
                    ),
                );
            }
        }

        return $found;
    }
}
