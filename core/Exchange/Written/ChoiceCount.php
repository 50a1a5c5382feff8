<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Written;

/** How many answers a stem asks for. */
final class ChoiceCount
{
    private const COUNTS = ['two' => 2, 'three' => 3, 'four' => 4, 'five' => 5, 'six' => 6];

    /** @return array{string, int|null} "one" or "several", and how many the stem asks for */
    public static function of(string $stem, int $keys): array
    {
        $n =
            preg_match('/\b(?:choose|select|pick)\s+(\d{1,2}|two|three|four|five|six)\b/ui', $stem, $m) === 1
                ? self::COUNTS[strtolower($m[1])] ?? (int) $m[1]
                : 0;

        return match (true) {
            $n > 1 => ['several', $n],
            preg_match('/\ball\s+that\s+apply\b/ui', $stem) === 1 => ['several', null],
            default => [$keys > 1 ? 'several' : 'one', null],
        };
    }
}
