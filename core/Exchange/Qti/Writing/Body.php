<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing;

/** What of an item follows from the kind of a question: its variables, what is in its body, and how right a response is. */
final readonly class Body
{
    /**
     * @param list<Tag> $declarations of the responses
     * @param list<Tag> $inside the item's body
     * @param list<Tag> $share rules that set SHARE: how right a response is, 0 to 1; where each answer has its own points, their sum
     * @param Tag|null $blank holds when nothing was given; null: nobody judges
     * @param list<array{Tag, string, string}> $says when it is shown, what is said, and the identifier of the answer
     * @param Tag|null $nothingWrong holds when no wrong part was given beside the right ones; null: where all is right, nothing can be
     * @param bool $isMatch whether all is right when the one response is the correct one, and wrong else
     * @param array<string, string> $pictures further files, made for it, by path
     * @param list<string> $counts variables in which its rules count, from 0
     */
    public function __construct(
        public array $declarations,
        public array $inside,
        public array $share = [],
        public ?Tag $blank = null,
        public array $says = [],
        public ?Tag $nothingWrong = null,
        public bool $isMatch = false,
        public array $pictures = [],
        public array $counts = [],
    ) {
    }
}
