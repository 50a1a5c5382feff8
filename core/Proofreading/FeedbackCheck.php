<?php

declare(strict_types=1);

namespace Zetema\Core\Proofreading;

use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Feedback\OutcomeText;
use Zetema\Core\Question\Kinds;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Setting;

/** What is said, what helps, and how answers that are typed are accepted. */
final class FeedbackCheck implements Check
{
    public function findings(Question $question, EffectiveSettings $settings): iterable
    {
        $judged = !$settings->isKeyless() && $question->kind::id()->facts()->isJudged;
        if ($judged) {
            yield from self::feedback($question);
            yield from self::hints($question);
        }
        yield from self::typed($question, $settings);
    }

    /** @return iterable<Flaw> */
    private static function feedback(Question $question): iterable
    {
        $texts = array_filter($question->outcomeTexts, static fn (OutcomeText $t): bool => $t->text !== '' && $t->text !== '–');
        $choices = $question->kind->choices();
        $saying = array_filter($choices, static fn (Choice $c): bool => $c->says !== null);
        if ($texts === [] && $question->notes === [] && !$question->kind->saysAnything()) {
            yield new Flaw(Rule::NoFeedback, 'feedback', 'Nothing is said after any answer.');
        }
        $seen = [];
        foreach ($choices as $i => $choice) {
            $folded = 't' . Words::folded($choice->says ?? '');
            if ($folded !== 't' && isset($seen[$folded])) {
                yield new Flaw(Rule::EqualFeedback, 'answer ' . ($i + 1), sprintf('It says the same as answer %d.', $seen[$folded]));
            }
            $seen[$folded] ??= $i + 1;
            if ($choice->says === null && !$choice->isKey && count($saying) >= 2 && !self::hasWrongText($texts)) {
                yield new Flaw(Rule::BlankFeedback, 'answer ' . ($i + 1), 'Nothing is said when this is chosen.');
            }
        }
        $said = [];
        foreach ($texts as $text) {
            $folded = 't' . Words::folded($text->text);
            if (isset($said[$folded]) && $said[$folded] !== $text->outcome) {
                yield new Flaw(
                    Rule::EqualFeedback,
                    'feedback',
                    sprintf('“%s” and “%s” say the same.', $said[$folded]->value, $text->outcome->value),
                );
            }
            $said[$folded] ??= $text->outcome;
        }
    }

    /** @param array<OutcomeText> $texts */
    private static function hasWrongText(array $texts): bool
    {
        return array_filter($texts, static fn (OutcomeText $t): bool => $t->outcome->value === 'wrong') !== [];
    }

    /** @return iterable<Flaw> */
    private static function hints(Question $question): iterable
    {
        foreach ($question->hints as $i => $hint) {
            foreach ($question->kind->keyTexts() as $key) {
                $folded = Words::folded($key);
                if (mb_strlen($folded) > 2 && str_contains(' ' . Words::folded($hint->text) . ' ', ' ' . $folded . ' ')) {
                    yield new Flaw(Rule::HintGivesAway, 'hint ' . ($i + 1), sprintf('It says “%s”.', $key));
                    break;
                }
            }
        }
    }

    /** @return iterable<Flaw> */
    private static function typed(Question $question, EffectiveSettings $settings): iterable
    {
        $kind = $question->kind;
        if (
            $kind instanceof Kinds\Text\Text &&
            count($kind->wordings) === 1 &&
            !$kind->wordings[0]->isPattern &&
            $settings->get(Setting::Typos) === '0'
        ) {
            yield new Flaw(Rule::OneWording, 'answer 1', 'Only this wording is accepted, letter by letter.');
        }
        if ($kind instanceof Kinds\Number\Number) {
            foreach ($kind->spans as $i => $span) {
                $exact = $span->from !== null && $span->to !== null && $span->from->isEqualTo($span->to);
                if (
                    $exact &&
                    $span->share->isWhole() &&
                    count($kind->spans) === 1 &&
                    Measured::is($question->stem, $settings->entries(Setting::Unit), $span->from->decimals() !== 0)
                ) {
                    yield new Flaw(Rule::NoTolerance, 'answer ' . ($i + 1), 'Only exactly this value is accepted.');
                }
            }
        }
    }
}
