<?php

declare(strict_types=1);

namespace Zetema\Core\Proofreading;

/** One thing the proofreader noticed, at the line where it stands. */
final readonly class Flaw
{
    /** @param string $where "stem", "answer 2", "gap 1", "hint 1", "picture", "feedback" or "marking"; numbers count from 1 as written */
    public function __construct(public Rule $rule, public string $where, public string $message)
    {
    }
}
