<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper\Lines;

/** What a line looks like by its beginning, for those who look ahead. */
final readonly class LineLook
{
    /**
     * @param string|null $letter capital, if it begins with one as a choice does
     * @param string|null $word as Marks tells it
     */
    private function __construct(public bool $isNumber, public ?string $letter, public bool $isBullet, public ?string $word)
    {
    }

    public static function of(PaperLine $line): self
    {
        return new self(
            Marks::number($line) !== null,
            Marks::letter($line)?->sign,
            Marks::bullet($line) !== null,
            Marks::word($line)?->sign,
        );
    }

    public function isUnmarked(): bool
    {
        return !$this->isNumber && $this->letter === null && !$this->isBullet && $this->word === null;
    }
}
