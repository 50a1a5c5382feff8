<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Written;

/** Room left in a stem for what is to be filled in. */
final class Blanks
{
    /** The stem with "___" for each: runs of underscores, dots, or ellipses. */
    public static function in(string $stem): string
    {
        return preg_replace('/_{3,}|\.{5,}|…{2,}/u', '___', $stem) ?? $stem;
    }
}
