<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\TypedPaper;

use Zetema\Core\Exchange\Written\QuestionLines;
use Zetema\Core\Question\Question;

/** What a paper says after right and wrong answers, as lines of the question. */
final class FeedbackLines
{
    /** @return list<string> what is wrong with it */
    public static function add(Body $body, QuestionLines $lines): array
    {
        $isClaim = in_array($lines->opening, ['true', 'false'], true);
        $texts = ['right' => [], 'wrong' => []];
        foreach ($body->feedback as ['to' => $to, 'text' => $text]) {
            if ($isClaim && preg_match('/^[A-Z]$/', $to) === 1) {
                $to = ClaimReading::isKey($body, $to, $lines->opening === 'true') ? 'right' : 'wrong';
            }
            foreach (['right', 'wrong'] as $outcome) {
                if ($text !== '' && ($to === $outcome || $to === '')) {
                    $texts[$outcome][] = $text;
                }
            }
        }
        foreach (array_filter($texts) as $outcome => $said) {
            $lines->add('if ' . $outcome, implode("\n", $said));
        }
        $lettered = array_filter($body->feedback, static fn (array $f): bool => preg_match('/^[A-Z]$/', $f['to']) === 1);
        $letters = array_map(static fn (Choice $c): string => $c->letter, $body->choices);
        $problems = [];
        foreach ($lettered as $feedback) {
            if (!in_array($feedback['to'], $letters, true)) {
                $problems[] = sprintf('there is feedback for %s, which is no choice here', $feedback['to']);
            }
        }

        return $problems;
    }
}
