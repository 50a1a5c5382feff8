<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Written;

/** "True", "f": whether something holds. */
final class TrueOrFalse
{
    /** @param bool $alsoYes whether yes and no say it too */
    public static function of(string $said, bool $alsoYes = false): ?bool
    {
        return match (mb_strtolower(trim($said, " \t\n.()[]"))) {
            'true', 't' => true,
            'false', 'f' => false,
            'yes' => $alsoYes ? true : null,
            'no' => $alsoYes ? false : null,
            default => null,
        };
    }
}
