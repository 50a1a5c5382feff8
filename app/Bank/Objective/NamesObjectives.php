<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Objective;

use Zetema\App\Bank\Bank;
use Zetema\App\Shared\Conflict;
use Zetema\Core\Data\Fields;

/** What is made of a bank and names objectives by their path: when a path changes, what it says follows. */
interface NamesObjectives
{
    /**
     * @param array<string, string|null> $paths new by old; null: it goes, and nothing takes its place
     *
     * @return list<array<string, mixed>> what was changed, as putBack() takes it
     *
     * @throws Conflict if one that goes is named
     */
    public function follow(Bank $bank, array $paths): array;

    /**
     * Says again what was said before.
     *
     * @param list<Fields> $changed as follow() told it
     *
     * @throws Conflict if it was changed since
     */
    public function putBack(array $changed): void;
}
