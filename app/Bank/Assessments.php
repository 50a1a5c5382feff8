<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

/** What a bank asks of the assessments that are made of it. Where SQL is given, it goes into a query of the bank's own tables. */
interface Assessments
{
    /**
     * SQL, a SELECT: ids of the questions that the newest edition of an assessment holds.
     *
     * @param string $assessment parameter with its id
     */
    public function heldByNewest(string $assessment): string;

    /** SQL, a condition: whether no edition holds a question. @param string $question column with its id */
    public function holdNone(string $question): string;

    /** SQL, a condition: whether a blueprint of the page's bank names it. @param string $page alias of the table */
    public function name(string $page): string;

    /** In how many editions a question is. */
    public function editionsWith(int $question): int;

    /** @return array<string, int> how many questions of a batch editions hold, by the titles of their assessments */
    public function holdOf(Batch $batch): array;

    /** @return array<int, int> how many there are, by bank */
    public function perBank(): array;

    /** Takes those of a bank away that was never finished. Within a transaction. */
    public function removeOf(int $bank): void;
}
