<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Pool;

use Zetema\App\Bank\Bank;

/** What is made of a bank and takes from its pools by their names. */
interface NamesPools
{
    /** @return array<string, list<string>> titles of what takes from a pool, by the pool's name */
    public function of(Bank $bank): array;

    /** Says the new name wherever the old one was said. */
    public function renamed(Bank $bank, string $from, string $to): void;
}
