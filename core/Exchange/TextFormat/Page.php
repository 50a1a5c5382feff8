<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TextFormat;

use Zetema\Core\Data\AuthorText;

/** A page for reading: its name for authors, an optional heading, its text in the small Markdown. */
final readonly class Page
{
    public string $reads;

    public function __construct(public string $name, public ?string $heading, string $reads)
    {
        $this->reads = AuthorText::tidy($reads);
    }
}
