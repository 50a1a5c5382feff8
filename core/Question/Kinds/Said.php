<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds;

use Zetema\Core\Question\Atom;

/** What the wordings, spans or areas say whose atoms were found. */
final class Said
{
    /**
     * @param list<Atom> $found
     * @param callable(int, int): ?string $says by the number in the order written, and the part if there are parts
     *
     * @return list<string>
     */
    public static function by(array $found, callable $says): array
    {
        $texts = [];
        foreach ($found as $atom) {
            $n = $atom->find['n'] ?? null;
            $part = $atom->find['part'] ?? 0;
            $text = is_int($n) && is_int($part) ? $says($n, $part) : null;
            if ($text !== null) {
                $texts[] = $text;
            }
        }

        return $texts;
    }
}
