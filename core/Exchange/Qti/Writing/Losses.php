<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing;

use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Marking\Table\WhatScoresWhat;
use Zetema\Core\Question\Feedback\Condition;
use Zetema\Core\Question\Feedback\Note;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Kinds\Text\Text;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Status;

/** What of a question the standard cannot say: told before it is written. */
final class Losses
{
    /** @return list<string> each beginning with the word of the text format */
    public static function of(Question $question, EffectiveSettings $settings): array
    {
        $lost = KindWriters::all()->of($question)?->lost($question, $settings) ?? [];

        return array_values(
            array_unique([
                ...self::settings($question, $settings),
                ...array_map(strval(...), array_keys(array_filter($lost))),
                ...self::feedback($question),
            ]),
        );
    }

    /** @return list<string> */
    private static function settings(Question $question, EffectiveSettings $settings): array
    {
        $is = static fn (Setting $setting, string ...$values): bool => in_array($settings->get($setting), $values, true);
        $facts = $question->kind::id()->facts();
        $takes = static fn (Setting $setting): bool => !$setting->isOfSomeKinds() || in_array($setting, $facts->settings, true);
        $ignored = $takes(Setting::Ignore) ? array_diff($settings->entries(Setting::Ignore), ['case']) : [];
        $lost = [
            'typos' => $takes(Setting::Typos) && !$is(Setting::Typos, '0'),
            'ignore ' . implode(', ', $ignored) => $ignored !== [],
            'unit' => $takes(Setting::Unit) && $settings->get(Setting::Unit) !== null,
            'figures' => $takes(Setting::Figures) && $settings->get(Setting::Figures) !== null,
            'late: blank' => $is(Setting::Late, 'blank'),
            'late: marks, without a time' => $is(Setting::Late, 'marks') && $settings->seconds() === null,
            'stands: best' => $is(Setting::Stands, 'best'),
            'graded: no' => $is(Setting::Graded, 'no'),
            'shuffle: yes' => $takes(Setting::Shuffle) && $is(Setting::Shuffle, 'yes') && $question->kind->choices() === [],
            'decimals' => self::losesDecimals($question, $settings),
            'areas: outlined after checking' => $takes(Setting::Areas) && $is(Setting::Areas, 'outlined after checking'),
            'layout: ' . $settings->get(Setting::Layout) => $takes(Setting::Layout) &&
                $is(Setting::Layout, ...$question->kind->choices() !== [] ? ['two columns', 'list'] : ['two columns', 'list', 'row']),
            'how' => $settings->get(Setting::How) !== null,
            'hint costs' => $question->hints !== [] && !$is(Setting::HintCosts, '0'),
            'refresher' => $settings->get(Setting::Refresher) !== null,
            'status: ' . $question->status->value => $question->status !== Status::Draft,
        ];

        return array_map(strval(...), array_keys(array_filter($lost)));
    }

    /** Other decimals than two come back where some mark shows them. */
    private static function losesDecimals(Question $question, EffectiveSettings $settings): bool
    {
        $decimals = $settings->integer(Setting::Decimals);
        if ($decimals <= 2) {
            return $decimals < 2;
        }
        $plan = MarkingPlan::of($question, $settings);
        foreach (WhatScoresWhat::responses($question, $settings) as $response) {
            if ((new Marker())->mark($plan, $response)->earned->exact()->decimals() > 2) {
                return false;
            }
        }

        return true;
    }

    /** @return list<string> */
    private static function feedback(Question $question): array
    {
        $lost = [];
        foreach ($question->outcomeTexts as $text) {
            if ($text->onLast || $text->outcome === Outcome::OutOfTime) {
                $lost[] = $text->onLast ? sprintf('if %s on the last attempt', $text->outcome->value) : 'if out of time';
            }
        }
        foreach ($question->notes as $note) {
            if (!self::canSay($note, $question)) {
                $lost[] = 'note when ' . $note->inWords(Question::choiceIds($question->kind));
            }
        }
        foreach ($question->hints as $hint) {
            $lost = [
                ...$lost,
                ...$hint->costs !== null ? ['hint costs'] : [],
                ...$hint->fromAttempt > 1 ? ['from attempt'] : [],
                ...$hint->afterSeconds > 0 ? ['after'] : [],
            ];
        }

        return $lost;
    }

    /** Whether a note is one that was, or was not, chosen, on any attempt or on one. */
    public static function canSay(Note $note, Question $question): bool
    {
        $conditions = count($note->when) === 1 ? $note->when[0] : [];
        $chosen = array_filter($conditions, static fn (Condition $c): bool => $c->answer !== null);
        $on = array_filter($conditions, static fn (Condition $c): bool => $c->attempt !== null && $c->holds);

        return $question->kind->choices() !== [] &&
            count($chosen) === 1 &&
            count($on) <= 1 &&
            count($chosen) + count($on) === count($conditions);
    }
}
