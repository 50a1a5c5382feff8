<?php

declare(strict_types=1);

namespace Zetema\Tests\Core\Exchange;

use Zetema\Core\Exchange\Source;
use Zetema\Core\Exchange\TextFormat\Writer;
use Zetema\Core\Question\Problem;

/** What a source came to, as lines that read off easily: questions in the text format on one line, problems as "!line: …". */
final class ReadOff
{
    /** @return list<string> questions in their order, then problems beside them */
    public static function of(Source $source): array
    {
        $lines = [];
        foreach ($source->questions() as $found) {
            if ($found->question !== null) {
                $lines[] = preg_replace('/\n[\n ]*/', ' / ', trim((new Writer())->question($found->question))) ?? '';
            }
            foreach ($found->problems as $problem) {
                $lines[] = self::problem($problem);
            }
        }

        return [...$lines, ...array_map(self::problem(...), $source->report()->problems)];
    }

    private static function problem(Problem $problem): string
    {
        return sprintf('!%d: %s', $problem->line, $problem->message);
    }

    /**
     * Whether lines are as expected; of a problem the line, and some of its words.
     *
     * @param list<string> $lines
     * @param list<string> $expected
     */
    public static function fits(array $lines, array $expected): bool
    {
        foreach ($expected as $i => $wanted) {
            [$at, $said] = str_starts_with($wanted, '!') ? explode(': ', $wanted, 2) : [$wanted, ''];
            $is = $lines[$i] ?? '';
            if ($said === '' ? $is !== $wanted : !str_starts_with($is, "$at: ") || !str_contains($is, $said)) {
                return false;
            }
        }

        return count($lines) === count($expected);
    }
}
