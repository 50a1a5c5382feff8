<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Outcome;

/** The page a sitting closes with. */
final readonly class ClosingPages
{
    public function __construct(public ?string $passed = null, public ?string $notPassed = null, public ?string $noPassMark = null)
    {
    }

    public function for(?bool $passed): ?string
    {
        return match ($passed) {
            true => $this->passed,
            false => $this->notPassed,
            null => $this->noPassMark,
        };
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_values(array_filter([$this->passed, $this->notPassed, $this->noPassMark], is_string(...)));
    }
}
