<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Texts;

/** One text of a question. */
final readonly class QuestionText
{
    /** @param string $where the line it stands at, as the proofreader and comments name it: "stem", "answer 2", "hint 1", "feedback" */
    public function __construct(public TextSort $sort, public string $where, public string $text)
    {
    }
}
