<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing;

use Zetema\Core\Drawing\Stock\QuestionClass;
use Zetema\Core\Drawing\Stock\Stock;

/** Questions that a plan names and that are not there. */
final class UnknownNames
{
    /**
     * @param list<QuestionClass> $classes
     *
     * @throws UnknownQuestion
     */
    public static function refuse(DealingPlan $plan, Stock $stock, array $classes): void
    {
        $named = array_unique([...$plan->fixed(), ...$plan->named()]);
        $dealt = array_flip(array_map(static fn (QuestionClass $class): string => $class->sample->id, $classes));
        $doubtful = array_values(array_filter($named, static fn (string $id): bool => !isset($dealt[$id])));
        $known = $doubtful === [] ? [] : array_diff($stock->known($doubtful), $plan->fixed());
        $missing = array_values(array_diff($doubtful, $known));
        if ($missing !== []) {
            throw new UnknownQuestion($missing);
        }
    }
}
