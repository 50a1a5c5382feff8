<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

use Zetema\Core\Question\Kinds\Kind;
use Zetema\Core\Question\Settings\Marking;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;

/** Whether a question is whole: its settings go with its kind and with each other, and the kind has all that it needs. */
final class QuestionCheck
{
    private const ROUNDED = [
        Setting::Points,
        Setting::WrongCosts,
        Setting::BlankCosts,
        Setting::HintCosts,
        Setting::Floor,
        Setting::AttemptCosts,
    ];

    /** @throws InvalidQuestion */
    public static function verify(Question $question): void
    {
        $id = $question->kind::id();
        foreach ($question->settings->values as $word => $value) {
            if ($word === Setting::Marking->value && !Question::kindTakes($id, Setting::Marking, $value)) {
                throw new InvalidQuestion(
                    sprintf(
                        '“marking: %s” does not go with a question of kind %s; %s does',
                        $value,
                        $id->value,
                        implode(' or ', $id->facts()->rules),
                    ),
                    $word,
                );
            }
            if (!Question::kindTakes($id, Setting::from($word), $value)) {
                throw new InvalidQuestion(sprintf('“%s” has no meaning for a question of kind %s', $word, $id->value), $word);
            }
        }
        if ($question->settings->marking() === Marking::Weighed && $question->settings->get(Setting::Points) !== null) {
            throw new InvalidQuestion('under “weighed” the worth follows from the weights; leave “points” out', 'points');
        }
        $settings = $question->effective();
        $decimals = $settings->integer(Setting::Decimals);
        foreach (self::ROUNDED as $setting) {
            foreach ($settings->entries($setting) as $value) {
                if ($value !== 'none' && !str_ends_with($value, '%') && Points::of($value)->decimals() > $decimals) {
                    throw new InvalidQuestion(
                        sprintf('%s has more decimals than the %d that marks are rounded to', $value, $decimals),
                        $setting->value,
                    );
                }
            }
        }
        foreach ($question->hints as $hint) {
            if ($hint->costs !== null && $hint->costs->decimals() > $decimals) {
                throw new InvalidQuestion(
                    sprintf('a hint’s costs of %s have more decimals than the %d that marks are rounded to', $hint->costs, $decimals),
                    'hint',
                );
            }
        }
        foreach ($question->notes as $note) {
            foreach (array_diff($note->answers(), Question::choiceIds($question->kind)) as $gone) {
                throw new InvalidQuestion(sprintf('a note speaks of choice %d, which is not there', $gone), 'note');
            }
        }
        $question->kind->verify($settings, $question->stem);
    }
}
