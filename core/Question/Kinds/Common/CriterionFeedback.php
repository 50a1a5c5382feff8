<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Common;

use Zetema\Core\Question\Scoring\Criterion;

/** What the wordings, spans or areas say whose criteria were found. */
final class CriterionFeedback
{
    /**
     * @param list<Criterion> $found
     * @param callable(int, int): ?string $says by the number in the order written, and the part if there are parts
     *
     * @return list<string>
     */
    public static function by(array $found, callable $says): array
    {
        $texts = [];
        foreach ($found as $criterion) {
            $n = $criterion->find['n'] ?? null;
            $part = $criterion->find['part'] ?? 0;
            $text = is_int($n) && is_int($part) ? $says($n, $part) : null;
            if ($text !== null) {
                $texts[] = $text;
            }
        }

        return $texts;
    }
}
