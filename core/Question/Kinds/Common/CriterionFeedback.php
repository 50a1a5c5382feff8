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
            $line = $criterion->find->line();
            $text = $line === null ? null : $says(...$line);
            if ($text !== null) {
                $texts[] = $text;
            }
        }

        return $texts;
    }
}
