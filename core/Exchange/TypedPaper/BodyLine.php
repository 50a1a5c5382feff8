<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper;

use Zetema\Core\Exchange\TypedPaper\Lines\Mark;
use Zetema\Core\Exchange\TypedPaper\Lines\Marks;
use Zetema\Core\Exchange\TypedPaper\Lines\PaperLine;
use Zetema\Core\Exchange\Written\Styled;

/** A line of a question, with what it is within it. */
final readonly class BodyLine
{
    /**
     * @param string $is "stem", "more", "letter", "bullet", "number", or a word as Marks tells it
     * @param string $before what separates it from the text above: "\n", or "\n\n" for a paragraph
     */
    public function __construct(
        public string $is,
        public PaperLine $line,
        public Styled $rest,
        public ?Mark $mark = null,
        public string $before = "\n",
    ) {
    }
}
