<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper\Lines;

use Zetema\Core\Exchange\Written\Styled;

/** A line of a paper that has text, with what the page around it says of it. */
final class PaperLine
{
    /** Whether a blank line stands above it, page furniture aside. */
    public bool $afterBlank = false;
    private ?LineLook $look = null;

    /**
     * @param int $number 1-based, in the source
     * @param bool $opensParagraph in HTML: whether a paragraph begins here
     * @param ListItem|null $item in HTML: the list item that begins here
     * @param bool $isInItem in HTML: whether it goes on within the item above
     * @param int $rank in HTML: of the heading that it is; 0: none
     * @param bool $hasPicture whether a picture was left out here
     */
    public function __construct(
        public readonly int $number,
        public Styled $styled,
        public readonly bool $opensParagraph = false,
        public readonly ?ListItem $item = null,
        public readonly bool $isInItem = false,
        public readonly int $rank = 0,
        public readonly bool $isRow = false,
        public bool $hasPicture = false,
    ) {
    }

    /** What it looks like by its beginning; looked at once. */
    public function look(): LineLook
    {
        return $this->look ??= LineLook::of($this);
    }

    public function text(): string
    {
        return $this->styled->text;
    }
}
