<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Condition;

use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Feedback\Outcome;

/** What conditions ask about: all that is closed so far. */
interface WhatHappened
{
    /** Points earned, without a floor. */
    public function points(Scope $scope): Ratio;

    /** Of what could be earned; 0 where nothing could. */
    public function percent(Scope $scope): Ratio;

    public function tally(string $name): Ratio;

    /** Of the mark that stands; null where the question was not asked or is not closed. */
    public function outcome(string $question): ?Outcome;

    /** Whether the response that stands has the choice. */
    public function hasChosen(string $question, int $choice): bool;
}
