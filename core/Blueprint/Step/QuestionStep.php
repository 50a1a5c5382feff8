<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Step;

use Zetema\Core\Blueprint\Rules\Rules;
use Zetema\Core\Question\Settings\Settings;

/** A question that every form has. */
final readonly class QuestionStep extends AskingStep
{
    public function __construct(
        string $id,
        public string $question,
        Settings $settings,
        Rules $rules,
        RefresherHere $refresher,
        LeadsHere $leads,
    ) {
        parent::__construct($id, $settings, $rules, $refresher, $leads);
    }
}
