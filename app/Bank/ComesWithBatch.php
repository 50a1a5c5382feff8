<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Zetema\Core\Data\Fields;

/** What is made of a bank's questions and comes in, and is taken back, with a batch of them. */
interface ComesWithBatch
{
    /**
     * @param list<Fields> $documents blueprints, questions by the names they were brought under
     * @param array<array-key, string> $called names that questions came in under, where theirs were taken
     *
     * @return list<array{id: int|null, title: string, missing: int, problem: string|null}> missing: questions it names that the bank does
     *   not have, and that it goes without; problem: why it did not come in
     */
    public function takeIn(Batch $batch, array $documents, array $called): array;

    /** @return array{taken: int, kept: list<string>} those that were changed or frozen since stay, by their titles */
    public function takeBack(Batch $batch): array;
}
