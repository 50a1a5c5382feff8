<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Paper;

/** A section as it stands in the paper. */
final readonly class PaperSection
{
    /** @param int $first the node it begins with; where it has none, the node after it */
    public function __construct(public string $id, public string $title, public ?int $seconds, public int $first)
    {
    }
}
