<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Gaps;

use Zetema\Core\Question\Answers\Part;
use Zetema\Core\Question\Answers\Wording;
use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Settings\EffectiveSettings;

/** Whether gaps are whole: each accepts something, and there are as many as the text leaves open. */
final class GapsCheck
{
    /** @throws InvalidQuestion */
    public static function verify(Gaps $kind, EffectiveSettings $settings, string $stem): void
    {
        if ($kind->gaps === []) {
            throw new InvalidQuestion('it has no gap; write `gap 1:` with what belongs there', 'gap');
        }
        $open = (int) preg_match_all('/_{3,}/', $stem);
        if ($open !== count($kind->gaps)) {
            throw new InvalidQuestion(
                sprintf(
                    'the text leaves %d open with ___ and %d %s what belongs there; they must be as many',
                    $open,
                    count($kind->gaps),
                    count($kind->gaps) === 1 ? 'gap says' : 'gaps say',
                ),
                'gap',
            );
        }
        foreach ($kind->gaps as $i => $gap) {
            if ($gap->isTyped() && array_filter($gap->wordings, static fn (Wording $w): bool => $w->text !== '') !== $gap->wordings) {
                throw new InvalidQuestion(sprintf('a wording of gap %d has no text', $i + 1), 'gap');
            }
            if ($gap->isTyped() && $gap->wordings === []) {
                throw new InvalidQuestion(sprintf('gap %d accepts nothing; write `gap %1$d:` with what belongs there', $i + 1), 'gap');
            }
            if (!$gap->isTyped() && $gap->keys() === []) {
                throw new InvalidQuestion(sprintf('gap %d has no key; write `gap %1$d yes:` before the right one', $i + 1), 'gap');
            }
        }
        foreach ($kind->gaps as $i => $gap) {
            if (count($gap->listed) === 1) {
                throw new InvalidQuestion(
                    sprintf('gap %d is picked from a list of one; write `gap %1$d no:` before what else there is to pick', $i + 1),
                    'gap',
                );
            }
        }
        Part::verifyPoints(array_map(static fn (Gap $g): Part => $g->part, $kind->gaps), $settings, 'gap');
    }
}
