<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Check;

use Zetema\Core\Question\Question;

/** The questions, pages and pools that a blueprint can name. */
interface Known
{
    public function has(string $name): bool;

    /** What it is, as far as that can be told here. */
    public function question(string $name): ?Question;

    /** Whether a form may hold it. */
    public function mayBeDealt(string $name): bool;

    public function hasPage(string $name): bool;

    /** Whether the bank keeps a pool under this name. */
    public function hasPool(string $name): bool;
}
