<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint;

use Zetema\App\Bank\Bank;
use Zetema\App\Blueprint\Editions\Edition;

/** What an assessment asks of its sittings. */
interface SittingsOfAssessments
{
    /** How many candidates have begun an edition. */
    public function begun(Edition $edition): int;

    /**
     * @return list<int> sittings of any edition of an assessment that run; those whose time is over and that nobody has looked at since are
     *   not among them
     */
    public function running(Blueprint $blueprint): array;

    /**
     * @return list<array{blueprint: int, edition: int, sittings: int, running: int}> of all editions of a bank's assessments that have any
     */
    public function counted(Bank $bank): array;

    /** SQL, a condition: whether an assessment has no sitting at all, rehearsals among them. @param string $blueprint column with its id */
    public function none(string $blueprint): string;
}
