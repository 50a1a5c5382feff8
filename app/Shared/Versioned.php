<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

/** Something that people edit: its version is raised with every change, and every change says which version it was made over. */
interface Versioned
{
    public function version(): int;
}
