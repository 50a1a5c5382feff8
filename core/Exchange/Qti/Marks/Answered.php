<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Marks;

use Zetema\Core\Exchange\Written\QuestionLines;
use Zetema\Core\Numbers\Ratio;

/** The interactions of an item as a question of ours whose marking has yet to be found. */
interface Answered
{
    /**
     * Responses that the item’s rules are run for; the first is blank.
     *
     * @return list<Tried>
     */
    public function tries(): array;

    /**
     * What is right, by what scores: known before a marking is looked for.
     *
     * @param list<Ratio> $marks of the tries
     */
    public function settle(array $marks): void;

    /** The try in which all is right; null where there is no such thing. */
    public function allRight(): ?int;

    /**
     * How right a try is.
     *
     * @return array{int, int} parts that are right, and wrong
     */
    public function parts(int $try): array;

    /** How many parts there are to be right. */
    public function partCount(): int;

    /** @return list<string> share rules that may hold, the simplest first */
    public function rules(): array;

    /**
     * What each answer earns, and loses, if each has points of its own: guesses to be tried.
     *
     * @param list<Ratio> $marks of the tries
     *
     * @return list<Marking>
     */
    public function weighed(array $marks): array;

    /**
     * @param array<int|string, string> $says what is said to answers, by what tries give
     */
    public function lines(Marking $marking, array $says = []): QuestionLines;
}
