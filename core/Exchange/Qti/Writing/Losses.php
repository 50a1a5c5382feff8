<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing;

use Zetema\Core\Exchange\Qti\Items\Declarations;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Marking\Table\WhatScoresWhat;
use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Answers\Span;
use Zetema\Core\Question\Answers\Wording;
use Zetema\Core\Question\Feedback\Condition;
use Zetema\Core\Question\Feedback\Note;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Kinds\Common\ChoiceKind;
use Zetema\Core\Question\Kinds\Gaps\Gaps;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\Number\Number;
use Zetema\Core\Question\Kinds\Place\Place;
use Zetema\Core\Question\Kinds\Rating\Rating;
use Zetema\Core\Question\Kinds\Regions\Regions;
use Zetema\Core\Question\Kinds\Text\Text;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\Areas;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Marking;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Status;

/** What of a question the standard cannot say: told before it is written. */
final class Losses
{
    /** @return list<string> each beginning with the word of the text format */
    public static function of(Question $question, EffectiveSettings $settings): array
    {
        return array_values(array_unique([...self::settings($question, $settings), ...self::answers($question, $settings), ...self::feedback($question)]));
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
            'key: none' => $is(Setting::Key, 'none') && !in_array($question->kind::id(), [KindId::One, KindId::Several, KindId::Claim, KindId::Text, KindId::Number, KindId::Regions], true),
            'shuffle: yes' => $takes(Setting::Shuffle) && $is(Setting::Shuffle, 'yes') && !$question->kind instanceof ChoiceKind,
            'decimals' => self::losesDecimals($question, $settings),
            'areas: outlined after checking' => $takes(Setting::Areas) && $is(Setting::Areas, 'outlined after checking'),
            'layout: ' . $settings->get(Setting::Layout) => $takes(Setting::Layout) && $is(Setting::Layout, ...($question->kind instanceof ChoiceKind ? ['two columns', 'list'] : ['two columns', 'list', 'row'])),
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
    private static function answers(Question $question, EffectiveSettings $settings): array
    {
        $kind = $question->kind;
        $choices = $kind->choices();
        $wordings = $kind instanceof Text ? $kind->wordings : ($kind instanceof Gaps ? array_merge(...array_map(static fn ($g): array => $g->wordings, $kind->gaps)) : []);
        $lost = [
            'leads to' => array_filter($choices, static fn (Choice $c): bool => $c->leadsTo !== null) !== [],
            'tally' => array_filter($choices, static fn (Choice $c): bool => $c->tallies !== []) !== [] || ($kind instanceof Rating && $kind->tallies !== []),
            'pattern' => array_filter($wordings, static fn (Wording $w): bool => $w->isPattern) !== [],
            'yes, the second key' => $kind::id() === KindId::One && $settings->marking() === Marking::Weighed && count(array_filter($choices, static fn (Choice $c): bool => $c->isKey)) > 1,
            'name of an area' => $kind instanceof Regions && $settings->areas() !== Areas::Outlined && array_filter($kind->regions, static fn ($r): bool => $r->name !== null) !== [],
            sprintf('area: more than %d are written, and not read back here', Declarations::MOST_AREAS) => $kind instanceof Regions && count($kind->regions) > Declarations::MOST_AREAS,
            sprintf('yes and no: more than %d choices are written, and not read back here', Declarations::MOST) => count($choices) > Declarations::MOST,
            'name of a spot' => $kind instanceof Place && array_filter(array_column($kind->spots, 'name'), is_string(...)) !== [],
            'at, a second spot' => $kind instanceof Place && array_filter($kind->labels, static fn ($l): bool => count($l->belongs) > 1) !== [],
            'answer, a fraction' => $kind instanceof Number && array_filter($kind->spans, static fn (Span $s): bool => str_contains($s->words, '/')) !== [],
        ];

        return array_keys(array_filter($lost));
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
            $lost = [...$lost, ...($hint->costs !== null ? ['hint costs'] : []), ...($hint->fromAttempt > 1 ? ['from attempt'] : []), ...($hint->afterSeconds > 0 ? ['after'] : [])];
        }

        return $lost;
    }

    /** Whether a note is one that was, or was not, chosen, on any attempt or on one. */
    public static function canSay(Note $note, Question $question): bool
    {
        $conditions = count($note->when) === 1 ? $note->when[0] : [];
        $chosen = array_filter($conditions, static fn (Condition $c): bool => $c->answer !== null);
        $on = array_filter($conditions, static fn (Condition $c): bool => $c->attempt !== null && $c->holds);

        return $question->kind->choices() !== [] && count($chosen) === 1 && count($on) <= 1 && count($chosen) + count($on) === count($conditions);
    }
}
