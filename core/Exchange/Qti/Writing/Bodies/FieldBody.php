<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing\Bodies;

use Zetema\Core\Exchange\Qti\Writing\Body;
use Zetema\Core\Exchange\Qti\Writing\Html;
use Zetema\Core\Exchange\Qti\Writing\Rules;
use Zetema\Core\Exchange\Qti\Writing\Tag;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\Span;
use Zetema\Core\Question\Answers\Wording;
use Zetema\Core\Question\Kinds\Gaps\Gap;
use Zetema\Core\Question\Kinds\Gaps\Gaps;
use Zetema\Core\Question\Kinds\Number\Number;
use Zetema\Core\Question\Kinds\Text\Text;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Marking;
use Zetema\Core\Question\Settings\Setting;

/** Fields: short text, a number, gaps. */
final class FieldBody
{
    public static function text(Question $question, Text $kind, EffectiveSettings $settings, Html $html): Body
    {
        $wordings = $kind->wordings;
        usort($wordings, static fn (Wording $a, Wording $b): int => $b->share->exact()->compareTo($a->share->exact()));
        $branches = $says = [];
        foreach ($wordings as $i => $wording) {
            $branches[] = [
                self::fits(Declared::RESPONSE, $wording->text, $settings),
                [Declared::share(Rules::fraction($wording->share->exact()))],
            ];
            if ($wording->says !== null) {
                $says[] = [self::fits(Declared::RESPONSE, $wording->text, $settings), $wording->says, 'W' . ($i + 1)];
            }
        }

        return new Body(
            [Declared::response('single', 'string', array_slice(array_map(static fn (Wording $w): string => $w->text, $wordings), 0, 1))],
            self::withField($question, $html),
            $branches === [] ? [] : [Rules::when($branches)],
            $branches === [] ? null : Declared::blank(),
            $says,
        );
    }

    public static function number(Question $question, Number $kind, Html $html): Body
    {
        $spans = $kind->spans;
        usort($spans, static fn (Span $a, Span $b): int => $b->share->exact()->compareTo($a->share->exact()));
        $branches = $says = [];
        foreach ($spans as $i => $span) {
            $branches[] = [self::lies($span), [Declared::share(Rules::fraction($span->share->exact()))]];
            if ($span->says !== null) {
                $says[] = [self::lies($span), $span->says, 'W' . ($i + 1)];
            }
        }
        $middle = self::middle($spans[0] ?? null);

        return new Body(
            [Declared::response('single', 'float', $middle === null ? [] : [$middle])],
            self::withField($question, $html),
            $branches === [] ? [] : [Rules::when($branches)],
            $branches === [] ? null : Declared::blank(),
            $says,
        );
    }

    /** @param list<Wording> $wordings */
    public static function hasPattern(array $wordings): bool
    {
        return array_filter($wordings, static fn (Wording $w): bool => $w->isPattern) !== [];
    }

    /** @return list<Tag> the field in its gap; without one, in a block of its own */
    private static function withField(Question $question, Html $html): array
    {
        $field = Tag::of('textEntryInteraction', ['responseIdentifier' => Declared::RESPONSE]);
        $blocks = $html->withGaps($question->stem, static fn (int $gap): Tag|string => $gap === 1 ? $field : '___');

        return str_contains($question->stem, '___') ? $blocks : [...$blocks, Tag::of('p', [], $field)];
    }

    private static function fits(string $identifier, string $wording, EffectiveSettings $settings): Tag
    {
        $value = Rules::identifier($wording, 'string');

        return in_array('case', $settings->entries(Setting::Ignore), true)
            ? Tag::of('stringMatch', ['caseSensitive' => 'false'], Rules::variable($identifier), $value)
            : Tag::of('match', [], Rules::variable($identifier), $value);
    }

    private static function lies(Span $span): Tag
    {
        $given = Rules::variable(Declared::RESPONSE);
        if (
            preg_match('/^(\S+) within (\S+)( ?%)?$/u', str_replace('−', '-', $span->words), $m) === 1 &&
            !str_contains($span->words, '/')
        ) {
            return Tag::of(
                'equal',
                ['toleranceMode' => isset($m[3]) ? 'relative' : 'absolute', 'tolerance' => "$m[2] $m[2]"],
                $given,
                Rules::number($m[1]),
            );
        }
        if ($span->from !== null && $span->to !== null && $span->from->isEqualTo($span->to)) {
            return Tag::of('equal', ['toleranceMode' => 'exact'], $given, Rules::number($span->from));
        }

        $ends = [
            ...$span->from === null ? [] : [Tag::of($span->fromIncluded ? 'gte' : 'gt', [], $given, Rules::number($span->from))],
            ...$span->to === null ? [] : [Tag::of($span->toIncluded ? 'lte' : 'lt', [], $given, Rules::number($span->to))],
        ];

        return Rules::all($ends);
    }

    private static function middle(?Span $span): ?string
    {
        return match (true) {
            $span === null => null,
            $span->from === null || $span->to === null => ($span->from ?? $span->to)
                ?->plus(Ratio::of($span->from === null ? -1 : 1))
                ->decimal(),
            default => $span->from->plus($span->to)->dividedBy(2)->decimal(),
        };
    }

    public static function gaps(Question $question, Gaps $kind, EffectiveSettings $settings, Html $html): Body
    {
        $declarations = $fields = $rules = $identifiers = $says = [];
        foreach ($kind->gaps as $i => $gap) {
            $identifiers[] = $identifier = 'R' . ($i + 1);
            $keys = $gap->keys();
            $declarations[] = $gap->isTyped()
                ? Declared::response(
                    'single',
                    'string',
                    array_slice(array_map(static fn (Wording $w): string => $w->text, $gap->wordings), 0, 1),
                    identifier: $identifier,
                )
                : Declared::response('single', 'identifier', ['C' . ($keys[0] ?? '1')], identifier: $identifier);
            $fields[$i + 1] = $gap->isTyped()
                ? Tag::of('textEntryInteraction', ['responseIdentifier' => $identifier])
                : Tag::of(
                    'inlineChoiceInteraction',
                    ['responseIdentifier' => $identifier, 'shuffle' => 'true'],
                    ...array_map(
                        static fn (array $c, int $n): Tag => Tag::of(
                            'inlineChoice',
                            ['identifier' => 'C' . ($n + 1)],
                            ...$html->inline($c['text']),
                        ),
                        $gap->listed,
                        array_keys($gap->listed),
                    ),
                );
            $rules[] = self::gap($gap, $identifier, $settings);
            foreach ($gap->wordings as $n => $wording) {
                if ($wording->says !== null) {
                    $says[] = [self::fits($identifier, $wording->text, $settings), $wording->says, sprintf('G%dW%d', $i + 1, $n + 1)];
                }
            }
        }
        $count = count($kind->gaps);
        $rule = $settings->marking();
        $share = match ($rule) {
            Marking::Weighed => [],
            Marking::Parts => [
                Declared::share(
                    Tag::of('max', [], Rules::number('0'), Declared::part(self::lessWrong($settings->wrongPartCosts()), $count)),
                ),
            ],
            Marking::Whole, Marking::PartsByPlace, Marking::PartsByNeighbour, Marking::Each => [
                Declared::whole(Rules::variable('RIGHT'), $count),
            ],
        };

        return new Body(
            $declarations,
            $html->withGaps($question->stem, static fn (int $gap): Tag|string => $fields[$gap] ?? '___'),
            [...$rules, ...$share],
            Declared::blank(...$identifiers),
            $says,
            nothingWrong: Tag::of('equal', ['toleranceMode' => 'exact'], Rules::variable('WRONG'), Rules::number('0')),
            counts: ['RIGHT', 'WRONG'],
        );
    }

    private static function lessWrong(Ratio $costs): Tag
    {
        return $costs->isZero()
            ? Rules::variable('RIGHT')
            : Tag::of('subtract', [], Rules::variable('RIGHT'), Tag::of('product', [], Rules::fraction($costs), Rules::variable('WRONG')));
    }

    private static function gap(Gap $gap, string $identifier, EffectiveSettings $settings): Tag
    {
        $isWeighed = $settings->marking() === Marking::Weighed;
        $earns = $gap->part->earns?->exact() ?? Ratio::one();
        $branches = [[Tag::of('isNull', [], Rules::variable($identifier)), []]];
        $answers = $gap->isTyped()
            ? array_map(static fn (Wording $w): array => [self::fits($identifier, $w->text, $settings), $w->share->exact()], $gap->wordings)
            : array_map(
                static fn (string $key): array => [
                    Tag::of('match', [], Rules::variable($identifier), Rules::identifier('C' . $key)),
                    Ratio::one(),
                ],
                $gap->keys(),
            );
        usort($answers, static fn (array $a, array $b): int => $b[1]->compareTo($a[1]));
        foreach ($answers as [$fits, $share]) {
            $branches[] = [
                $fits,
                [
                    $isWeighed
                        ? Declared::add(Rules::fraction($earns->multipliedBy($share)))
                        : Declared::add(Rules::fraction($share), 'RIGHT'),
                ],
            ];
        }
        $loses = $gap->part->loses?->exact() ?? Ratio::zero();
        $branches[] = [
            null,
            [
                Declared::add(Rules::number('1'), 'WRONG'),
                ...$isWeighed && !$loses->isZero() ? [Declared::add(Rules::number($loses->negated()))] : [],
            ],
        ];

        return Rules::when($branches);
    }
}
