<?php

declare(strict_types=1);

namespace Zetema\Core\Proofreading;

use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;

/** Some rules that look at one question at a time. */
interface Check
{
    /** @return iterable<Flaw> */
    public function findings(Question $question, EffectiveSettings $settings): iterable;
}
