<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds;

use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Settings\EffectiveSettings;

/** How a question is answered: what a candidate sees of the answers, what can be given, and how that reads. */
interface Answering
{
    /**
     * What stands in mixed order on a candidate's page: lists of numbers (choices, right-hand sides, items, labels, the entries of a
     * gap's list), each mixed within itself.
     *
     * @return list<list<int>>
     */
    public function shuffledLists(): array;

    /**
     * What a candidate's page is told of the answers: an allow-list, without key or marking.
     *
     * @param list<list<int>> $order as shuffledLists() gives it, in the order of this page
     * @param bool $checked whether an attempt was checked and told already
     *
     * @return array<string, mixed>
     */
    public function shownToCandidate(array $order, EffectiveSettings $settings, bool $checked = false): array;

    /**
     * @param bool $complete false when time ran out: fewer choices than demanded are then marked as they stand
     *
     * @throws Malformed by field name, if a candidate's interface could not have sent this
     */
    public function response(mixed $given, EffectiveSettings $settings, bool $complete = true): Response;

    /** Why a response that is not blank cannot be checked yet, without using an attempt: "Choose 2, then check."; null: it can. */
    public function notYet(Response $response, EffectiveSettings $settings): ?string;

    /**
     * A response in words, one line for each part.
     *
     * @param bool $withKey whether the lines may tell what was hit; without it they tell no more than what was given
     *
     * @return list<AnswerLine>
     */
    public function inWords(Response $response, bool $withKey = false): array;

    /**
     * The right answer in words, one line each.
     *
     * @return list<AnswerLine>
     */
    public function keyInWords(): array;
}
