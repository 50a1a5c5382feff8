<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Archive;

use Zetema\App\Bank\Bank;
use Zetema\Core\Data\Fields;

/** What is made of a bank's questions and stands in its archive. */
interface ArchivedWithBank
{
    /**
     * @param array<int, int> $numbers of the questions in the archive, by their ids
     * @param list<int>|null $only which of them, by their ids; null: all
     *
     * @return list<array<string, mixed>>
     */
    public function told(Bank $bank, array $numbers, ?array $only): array;

    /**
     * @param list<Fields> $told
     * @param array<int, int> $ids of the questions, by their numbers in the archive
     */
    public function restore(Bank $bank, array $told, array $ids): void;
}
