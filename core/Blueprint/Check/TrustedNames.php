<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Check;

use Zetema\Core\Question\Question;

/** Names of a blueprint that was checked before, or whose names are checked when it is dealt. */
final class TrustedNames implements Known
{
    public function has(string $name): bool
    {
        return true;
    }

    public function question(string $name): ?Question
    {
        return null;
    }

    public function mayBeDealt(string $name): bool
    {
        return true;
    }

    public function hasPage(string $name): bool
    {
        return true;
    }

    public function hasPool(string $name): bool
    {
        return true;
    }
}
