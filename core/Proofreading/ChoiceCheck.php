<?php

declare(strict_types=1);

namespace Zetema\Core\Proofreading;

use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Marking;
use Zetema\Core\Question\Settings\Setting;

/** The answers to choose from, beside each other. */
final class ChoiceCheck implements Check
{
    public function findings(Question $question, EffectiveSettings $settings): iterable
    {
        $choices = $question->kind->choices();
        if ($choices === [] || $question->kind::id()->facts()->isStatement) {
            return;
        }
        $keys = array_filter($choices, static fn (Choice $c): bool => $c->isKey);
        $distractors = array_filter($choices, static fn (Choice $c): bool => !$c->isKey);
        yield from self::eachAlone($choices);
        yield from self::alike($choices);
        yield from self::numbers($choices, $settings);
        if (count($choices) < 3) {
            yield new Flaw(Rule::FewChoices, 'answer ' . count($choices), sprintf('There are only %d answers.', count($choices)));
        }
        if ($settings->marking() === Marking::Weighed) {
            yield from self::heaviest($choices);
        } elseif ($keys !== []) {
            yield from self::clues($question, $keys, $distractors);
            if (!$question->kind::id()->facts()->choosesOne && $distractors === []) {
                yield new Flaw(Rule::NothingToChoose, 'answer 1', 'Every answer is a key.');
            }
        }
        yield from self::beginnings($choices);
    }

    public static function allOrNone(string $text): ?string
    {
        return preg_match('/^(all|none|both|neither|any) (of )?(the above|these|them|the others?|those|answers)\b/iu', trim($text), $m) ===
            1
            ? $m[0]
            : null;
    }

    /**
     * @param list<Choice> $choices
     *
     * @return iterable<Flaw>
     */
    private static function eachAlone(array $choices): iterable
    {
        foreach ($choices as $i => $choice) {
            $where = 'answer ' . ($i + 1);
            $words = self::allOrNone($choice->text);
            if ($words !== null) {
                yield new Flaw(Rule::AllOrNone, $where, sprintf('“%s” is hard to defend.', mb_strtolower($words)));
            } elseif (!$choice->isKey && ($word = Words::absolute($choice->text)) !== null) {
                yield new Flaw(Rule::AbsoluteWord, $where, sprintf('“%s” marks this as a distractor.', $word));
            }
        }
    }

    /**
     * @param list<Choice> $choices
     *
     * @return iterable<Flaw>
     */
    private static function alike(array $choices): iterable
    {
        $seen = [];
        foreach ($choices as $i => $choice) {
            $folded = 't' . Words::folded($choice->text);
            if (isset($seen[$folded]) && $folded !== 't') {
                yield new Flaw(Rule::EqualChoices, 'answer ' . ($i + 1), sprintf('It says the same as answer %d.', $seen[$folded]));
            }
            $seen[$folded] ??= $i + 1;
        }
    }

    /**
     * @param list<Choice> $choices
     *
     * @return iterable<Flaw>
     */
    private static function numbers(array $choices, EffectiveSettings $settings): iterable
    {
        $ranges = array_map(
            static fn (Choice $c): ?array => $c->pinned || self::allOrNone($c->text) !== null ? [NAN, NAN] : Words::range($c->text),
            $choices,
        );
        if (in_array(null, $ranges, true)) {
            return;
        }
        $before = null;
        $unordered = null;
        foreach ($ranges as $i => [$from, $to]) {
            foreach (array_slice($ranges, 0, $i, true) as $j => [$otherFrom, $otherTo]) {
                if ($from < $otherTo && $otherFrom < $to && ($from !== $to || $otherFrom !== $otherTo)) {
                    yield new Flaw(Rule::OverlappingChoices, 'answer ' . ($i + 1), sprintf('It overlaps answer %d.', $j + 1));
                }
            }
            $unordered ??= $before !== null && $from < $before ? $i + 1 : null;
            $before = is_nan($from) ? $before : $from;
        }
        if ($unordered !== null) {
            yield new Flaw(Rule::NumbersUnordered, 'answer ' . $unordered, 'It is smaller than the number before it.');
        } elseif (count($ranges) > 2 && $settings->isYes(Setting::Shuffle)) {
            yield new Flaw(Rule::NumbersUnordered, 'marking', 'The numbers stand in order here, but are shuffled.');
        }
    }

    /**
     * @param list<Choice> $choices
     *
     * @return iterable<Flaw>
     */
    private static function heaviest(array $choices): iterable
    {
        $best = $choices[0];
        $at = 1;
        foreach ($choices as $i => $choice) {
            if ($choice->weight !== null && ($best->weight === null || $choice->weight->compare($best->weight) > 0)) {
                [$best, $at] = [$choice, $i + 1];
            }
        }
        if (!$best->isKey && array_filter($choices, static fn (Choice $c): bool => $c->isKey) !== []) {
            yield new Flaw(Rule::HeaviestIsNoKey, 'answer ' . $at, 'It earns most, but is no key.');
        }
    }

    /**
     * @param array<int, Choice> $keys by place from 0
     * @param array<int, Choice> $distractors
     *
     * @return iterable<Flaw>
     */
    private static function clues(Question $question, array $keys, array $distractors): iterable
    {
        $longest = max([0, ...array_map(static fn (Choice $c): int => mb_strlen($c->text), $distractors)]);
        $others = implode(' ', array_map(static fn (Choice $c): string => Words::folded($c->text), $distractors));
        $plural = static fn (Choice $c): bool => preg_match('/[^s]s$/u', Words::of($c->text)[0] ?? '') === 1;
        $article = preg_match('/\b(an?)\W*$/iu', $question->stem, $m) === 1 ? mb_strtolower($m[1]) : null;
        foreach ($keys + $distractors as $i => $choice) {
            $vowel = preg_match('/^[aeio]/iu', trim($choice->text)) === 1;
            if ($article !== null && ($article === 'an') !== $vowel) {
                yield new Flaw(
                    Rule::ArticleClue,
                    'answer ' . ($i + 1),
                    sprintf('“%s %s” does not go together.', $article, Words::of($choice->text)[0] ?? ''),
                );
            }
        }
        foreach ($keys as $i => $key) {
            $where = 'answer ' . ($i + 1);
            $length = mb_strlen($key->text);
            if ($distractors !== [] && $length > $longest * 1.5 && $length > $longest + 15) {
                yield new Flaw(Rule::LongKey, $where, sprintf('The key has %d characters, the longest distractor %d.', $length, $longest));
            }
            $shared = array_filter(
                array_intersect(Words::of($question->stem), Words::of($key->text)),
                static fn (string $w): bool => mb_strlen($w) > 5 && !str_contains($others, mb_substr($w, 0, 6)),
            );
            if ($distractors !== [] && $shared !== []) {
                yield new Flaw(
                    Rule::WordClue,
                    $where,
                    sprintf('“%s” stands in the stem and only in this answer.', array_values($shared)[0]),
                );
            }
        }
        $sameNumber = array_unique(array_map($plural, $distractors));
        if (
            count($keys) === 1 &&
            count($distractors) > 1 &&
            count($sameNumber) === 1 &&
            $plural(array_values($keys)[0]) !== array_values($sameNumber)[0] &&
            self::oneWordEach([...$keys, ...$distractors])
        ) {
            yield new Flaw(
                Rule::NumberClue,
                'answer ' . (array_key_first($keys) + 1),
                array_values($sameNumber)[0] ? 'Only the key is in the singular.' : 'Only the key is in the plural.',
            );
        }
    }

    /** @param list<Choice> $choices */
    private static function oneWordEach(array $choices): bool
    {
        return array_filter($choices, static fn (Choice $c): bool => count(Words::of($c->text)) > 2) === [];
    }

    /**
     * @param list<Choice> $choices
     *
     * @return iterable<Flaw>
     */
    private static function beginnings(array $choices): iterable
    {
        $first = array_map(static fn (Choice $c): string => implode(' ', array_slice(Words::of($c->text), 0, 3)), $choices);
        if (count($choices) > 2 && count(array_unique($first)) === 1 && substr_count($first[0], ' ') === 2) {
            yield new Flaw(Rule::SameBeginning, 'answer 1', sprintf('All answers begin with “%s”.', $first[0]));
        }
    }
}
