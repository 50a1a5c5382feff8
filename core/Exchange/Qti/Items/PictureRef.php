<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items;

use Zetema\Core\Exchange\Written\QuestionLines;

/** The picture that an interaction is on. */
final readonly class PictureRef
{
    /** @param array{int, int}|null $size in pixels, where it is known */
    public function __construct(public string $file, public string $shows, public ?array $size)
    {
    }

    public function addTo(QuestionLines $lines): void
    {
        $size = $this->size === null ? [] : [$lines->line('size', implode(' ', $this->size))];
        $lines->add('image', $this->file, [...$size, $lines->line('shows', $this->shows)]);
    }
}
