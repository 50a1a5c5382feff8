<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Undoable;

use Zetema\App\Bank\Bank;
use Zetema\App\Shared\Conflict;
use Zetema\Core\Data\Fields;

/** What is made of a bank and names questions one by one: when two are merged, it names the one that stays. */
interface NamesQuestions
{
    /**
     * @return list<array<string, mixed>> what was changed, as putBack() takes it
     *
     * @throws Conflict if something asks both
     */
    public function replace(Bank $bank, int $other, int $keep): array;

    /**
     * @param list<Fields> $changed as replace() told it
     *
     * @throws Conflict if it was changed since
     */
    public function putBack(array $changed): void;
}
