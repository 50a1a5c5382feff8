<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TextFormat;

use Zetema\Core\Question\Kinds\KindId;

/** A question of each kind to be typed over, in the text format: what stands in braces is to be written; without them it is whole. */
final class Templates
{
    private const BELOW = "  hint: {what helps}\n  if wrong: {what is said then}\n";

    public static function of(KindId $kind): string
    {
        return $kind->facts()->template . ($kind->facts()->isJudged ? self::BELOW : '');
    }
}
