<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Step;

/** Something to read. */
final readonly class PageStep extends Step
{
    /** @param string|null $then where *Go on* leads from it; null: to what follows */
    public function __construct(string $id, public string $page, public ?string $then = null)
    {
        parent::__construct($id);
    }
}
