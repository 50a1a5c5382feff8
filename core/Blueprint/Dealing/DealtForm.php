<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Dealing;

/** One form of a blueprint: its sections and their steps in the order in which a candidate meets them. */
final readonly class DealtForm
{
    /** @param list<array{section: string, steps: list<DealtStep>}> $sections */
    public function __construct(public int $seed, public array $sections)
    {
    }

    /** @return list<string> ids of the questions, in their order */
    public function questions(): array
    {
        $questions = array_map(
            static fn (DealtStep $step): ?string => $step->question,
            array_merge(...array_column($this->sections, 'steps')),
        );

        return array_values(array_filter($questions, is_string(...)));
    }
}
