<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti;

/** Something of a package that has no counterpart here. */
final readonly class Unmatched
{
    /**
     * @param string $item its identifier; for what belongs to no item a path
     * @param string $what begins with the name of the element or attribute, or the path of a file
     */
    public function __construct(public string $item, public string $what, public int $line, public string $file)
    {
    }

    /** @return array{item: string, what: string, line: int, file: string} */
    public function toData(): array
    {
        return ['item' => $this->item, 'what' => $this->what, 'line' => $this->line, 'file' => $this->file];
    }
}
