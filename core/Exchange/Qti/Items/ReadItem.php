<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items;

use Zetema\Core\Exchange\Qti\Listing;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Exchange\Written\QuestionLines;

/** What an item came to: the lines of a question, a page for reading, or nothing. */
final readonly class ReadItem
{
    public function __construct(
        public string $identifier,
        public string $name,
        public int $line,
        public Listing $listing,
        public ?QuestionLines $lines = null,
        public ?Page $page = null,
        public bool $isBroken = false,
    ) {
    }
}
