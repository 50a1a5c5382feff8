<?php

declare(strict_types=1);

namespace Zetema\Core\Drawing\Stock;

use Zetema\Core\Drawing\DealingPlan;

/** The questions that forms are dealt from: counted by class, so that a large bank need not be read to deal from it. */
interface Stock
{
    /**
     * @param list<string> $alone ids of questions that are classes of their own beside those that the blueprint names, as far as they are
     *   there
     *
     * @return list<QuestionClass> in the order of their first questions
     */
    public function classes(DealingPlan $blueprint, array $alone = []): array;

    /**
     * @param int<0, max> $n place within the class, counted from 0, always in the same order
     */
    public function idOf(QuestionClass $class, int $n): string;

    /**
     * @param list<string> $ids
     *
     * @return list<string> those that are there, whether they may be dealt or not
     */
    public function known(array $ids): array;

    /** @return list<array{string, string}> ids of questions of it that never meet in a form, whatever the blueprint */
    public function apart(): array;
}
