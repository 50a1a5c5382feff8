<?php

declare(strict_types=1);

namespace Zetema\Core\Proofreading;

use Zetema\Core\Question\InvalidQuestion;
use Zetema\Core\Question\Kinds\Regions\Overlap;
use Zetema\Core\Question\Kinds\Regions\Regions;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Marking;

/** Areas of a picture: a known wrong one that lies over a right one. */
final readonly class AreaCheck implements Check
{
    /** Pairs beyond which a save would take longer than one can wait. */
    private const MOST = 100;

    public function findings(Question $question, EffectiveSettings $settings): iterable
    {
        // Under “weighed” there is no right and wrong, and no overlap either.
        if (!($question->kind instanceof Regions) || $settings->marking() === Marking::Weighed) {
            return;
        }
        $regions = $question->kind->regions;
        $looked = 0;
        foreach ($regions as $i => $wrong) {
            foreach ($wrong->isKey ? [] : $regions as $n => $right) {
                if ($right->isKey && ++$looked <= self::MOST && self::overlap($question->kind, $i, $n)) {
                    yield new Flaw(Rule::AreaOverKey, 'area ' . ($i + 1), sprintf('It lies over area %d, which is right.', $n + 1));
                    break;
                }
            }
        }
    }

    private static function overlap(Regions $kind, int $one, int $other): bool
    {
        try {
            return Overlap::find(
                [$kind->regions[$one]->area, $kind->regions[$other]->area],
                $kind->picture->width,
                $kind->picture->height,
            ) !== null;
        } catch (InvalidQuestion) {
            return false; // too much to be looked at with every save
        }
    }
}
