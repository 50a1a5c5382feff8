<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper\Lines;

use Zetema\Core\Exchange\Written\Characters;
use Zetema\Core\Exchange\Written\Styled;

/** The lines of a paper saved as text. */
final class PlainLines
{
    /** @return list<PaperLine> without the blank ones */
    public static function of(string $text): array
    {
        $lines = [];
        $blank = true;
        foreach (Characters::lines($text) as $i => $raw) {
            $isFeed = str_contains($raw, "\f");
            $plain = trim(Characters::plain(str_replace("\f", '', $raw)));
            if ($plain === '') {
                $blank = $blank || !$isFeed;
                continue;
            }
            $line = new PaperLine($i + 1, new Styled($plain));
            $line->afterBlank = $blank;
            $lines[] = $line;
            $blank = false;
        }

        return $lines;
    }
}
