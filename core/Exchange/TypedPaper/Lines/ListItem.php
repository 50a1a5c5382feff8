<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper\Lines;

/** An item of a list in HTML. */
final readonly class ListItem
{
    /**
     * @param string $sort "number", "letter" or "bullet"
     * @param int $place as counted by the list
     * @param int $list which list of the paper
     * @param int $depth 1 for a list in no other
     */
    public function __construct(public string $sort, public int $place, public int $list, public int $depth)
    {
    }
}
