<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Stored;

use Zetema\Core\Blueprint\Dealing\DealtForm;
use Zetema\Core\Blueprint\Dealing\DealtStep;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;

/** A form as it is stored: its steps in their order, with the revision that was dealt for each question and the order of its lists. */
final class FormCodec
{
    public const VERSION = 2;

    /**
     * @param array<string, int> $revisions by question
     *
     * @return array<string, mixed>
     */
    public static function toData(DealtForm $form, array $revisions): array
    {
        return [
            'v' => self::VERSION,
            'sections' => array_map(
                static fn (array $section): array => [
                    'section' => $section['section'],
                    'steps' => array_map(
                        static fn (DealtStep $step): array => [
                            'step' => $step->step,
                            ...$step->at === $step->step ? [] : ['at' => $step->at],
                            ...$step->question === null
                                ? []
                                : ['question' => $step->question, 'revision' => $revisions[$step->question], 'order' => $step->order],
                        ],
                        $section['steps'],
                    ),
                ],
                $form->sections,
            ),
        ];
    }

    /**
     * @return array{DealtForm, array<string, int>} the form, and the revision of each question
     *
     * @throws Malformed if it is no form of this version
     */
    public static function read(Fields $data, int $seed): array
    {
        if ($data->integer('v') !== self::VERSION) {
            throw new Malformed('v', sprintf('is %d; this reads forms of version %d', $data->integer('v'), self::VERSION));
        }
        $revisions = [];
        $sections = [];
        foreach ($data->objects('sections') as $section) {
            $steps = [];
            foreach ($section->objects('steps') as $step) {
                $question = $step->optionalText('question');
                $steps[] = new DealtStep(
                    $step->text('step'),
                    $question,
                    $step->text('at', $step->text('step')),
                    $step->integers('order', optional: true),
                );
                $revisions += $question === null ? [] : [$question => $step->integer('revision')];
            }
            $sections[] = ['section' => $section->text('section'), 'steps' => $steps];
        }

        return [new DealtForm($seed, $sections), $revisions];
    }
}
