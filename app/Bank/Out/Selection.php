<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Out;

use Zetema\App\Bank\Question\Question;
use Zetema\Core\Question as Core;

/** Which of a bank's questions go out, and in which of their texts. */
final readonly class Selection
{
    /**
     * @param list<int>|null $questions by their ids; null: all of the bank
     * @param bool $asDealt in the text that candidates get; else in the newest, which its author may still be at
     */
    public function __construct(public ?array $questions = null, private bool $asDealt = false)
    {
    }

    /** The question as it goes out; null if it is not whole. */
    public function question(Question $question): ?Core\Question
    {
        $revision = $this->asDealt ? $question->cleared() ?? $question->newest() : $question->newest();

        return $revision->isWhole() ? $revision->question() : null;
    }
}
