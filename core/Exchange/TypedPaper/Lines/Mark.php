<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper\Lines;

use Zetema\Core\Exchange\Written\Styled;

/** What a line begins with, and what stands behind it. */
final readonly class Mark
{
    /**
     * @param string $sign the number, the capital letter, the bullet, the word
     * @param string $style how a number or letter is set: ".", ")", "()", "Q", "list"
     * @param bool $isKey whether something before or around it marks the key
     * @param string|null $held a key that stands before a number
     */
    public function __construct(
        public string $sign,
        public string $style,
        public Styled $rest,
        public bool $isKey = false,
        public ?string $held = null,
    ) {
    }

    public function number(): int
    {
        return (int) $this->sign;
    }
}
