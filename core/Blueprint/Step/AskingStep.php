<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Step;

use Zetema\Core\Blueprint\Rules\Rules;
use Zetema\Core\Question\Settings\Settings;

/** A step that asks: one question, or some of a pool. */
abstract readonly class AskingStep extends Step
{
    public function __construct(
        string $id,
        public Settings $settings,
        public Rules $rules,
        public RefresherHere $refresher,
        public LeadsHere $leads,
    ) {
        parent::__construct($id);
    }
}
