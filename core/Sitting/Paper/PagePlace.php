<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Paper;

/** A page to read. */
final readonly class PagePlace extends Place
{
    public function __construct(string $id, int $section, public string $page, public ?string $then)
    {
        parent::__construct($id, $section);
    }
}
