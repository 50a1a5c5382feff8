<?php

declare(strict_types=1);

namespace Zetema\Core\Proofreading;

use Zetema\Core\Question\EffectiveSettings;
use Zetema\Core\Question\Question;

/** Some rules that look at one question at a time. */
interface Check
{
    /** @return iterable<Finding> */
    public function findings(Question $question, EffectiveSettings $settings): iterable;
}
