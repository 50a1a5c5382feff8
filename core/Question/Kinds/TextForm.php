<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds;

use Zetema\Core\Question\Line;
use Zetema\Core\Question\Problems;
use Zetema\Core\Question\Settings\Settings;

/** How the answers of a question are written in the text format. */
interface TextForm
{
    /**
     * Made from lines of the text format; null where they are too broken to make anything of (said in the problems).
     *
     * @param list<Line> $parts
     */
    public static function read(Line $opening, array $parts, Settings $own, Problems $problems): ?self;

    /**
     * Its lines of the text format, the opening one first.
     *
     * @return non-empty-list<Line>
     */
    public function toLines(string $stem): array;
}
