<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Dealing;

/** A step as it stands in one form. */
final readonly class DealtStep
{
    /**
     * @param string $step the id of the blueprint's step
     * @param string|null $question the question that was dealt for it; null for a page or a checkpoint
     * @param string $at the step in whose place it stands: questions of mixed draws change places
     * @param list<int> $order in which its lists stand on the candidate's page, as ChoiceOrder deals it; none: as written
     */
    public function __construct(public string $step, public ?string $question, public string $at, public array $order = [])
    {
    }
}
