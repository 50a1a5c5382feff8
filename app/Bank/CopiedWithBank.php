<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

/** What is made of a bank's questions and goes with them into a copy of the bank. */
interface CopiedWithBank
{
    /** @param int $far the distance from a question's id to that of its copy */
    public function copy(Bank $from, Bank $to, int $far): void;
}
