<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing\Bodies;

use Zetema\Core\Exchange\Qti\Items\Declarations;
use Zetema\Core\Exchange\Qti\Writing\Body;
use Zetema\Core\Exchange\Qti\Writing\Html;
use Zetema\Core\Exchange\Qti\Writing\Rules;
use Zetema\Core\Exchange\Qti\Writing\Tag;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Kinds\Common\ChoiceKind;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Kinds\Rating\Rating;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Marking;
use Zetema\Core\Question\Settings\Setting;

/** Choices: one of them, several, a claim with its two words, the steps of a scale. */
final class ChoiceBody
{
    public static function of(Question $question, ChoiceKind $kind, EffectiveSettings $settings, Html $html): Body
    {
        $id = $kind::id();
        $choices = $kind->choices;
        $identifiers = array_map(
            static fn (int $i): string => $id === KindId::Claim ? ['true', 'false'][$i] : 'C' . ($i + 1),
            array_keys($choices),
        );
        $keys = array_keys(array_filter($choices, static fn (Choice $c): bool => $c->isKey));
        $limits = $id === KindId::Several ? $settings->limits() : ['least' => 0, 'most' => 1];
        $most = $limits['most'];
        $interaction = Tag::of(
            'choiceInteraction',
            [
                'responseIdentifier' => Declared::RESPONSE,
                'shuffle' => $settings->isYes(Setting::Shuffle) ? 'true' : 'false',
                'maxChoices' => (string) ($most ?? 0),
                'minChoices' => $limits['least'] > 0 ? (string) $limits['least'] : null,
                'orientation' => $settings->get(Setting::Layout) === 'row' ? 'horizontal' : null,
            ],
            ...array_map(
                static fn (Choice $c, string $i): Tag => Tag::of(
                    'simpleChoice',
                    ['identifier' => $i, 'fixed' => $c->pinned ? 'true' : null],
                    ...$html->text($c->text),
                ),
                $choices,
                $identifiers,
            ),
        );
        $inside = [...$html->blocks($question->stem), $interaction];
        $cardinality = $id === KindId::Several ? 'multiple' : 'single';
        if ($settings->isKeyless()) {
            return new Body([Declared::response($cardinality, 'identifier', [])], $inside);
        }
        $correct = array_map(static fn (int $i): string => $identifiers[$i], $id === KindId::Several ? $keys : array_slice($keys, 0, 1));
        [$mapping, $share] = self::share($settings->marking(), $choices, $identifiers, $keys, $most, $settings, $id);
        $says = [];
        foreach ($choices as $i => $choice) {
            if ($choice->says !== null) {
                $says[] = [
                    $cardinality === 'multiple'
                        ? Declared::has($identifiers[$i])
                        : Tag::of('match', [], Rules::variable(Declared::RESPONSE), Rules::identifier($identifiers[$i])),
                    $choice->says,
                    $identifiers[$i],
                ];
            }
        }

        return new Body(
            [Declared::response($cardinality, 'identifier', $correct, $mapping)],
            $inside,
            [$share],
            Declared::blank(),
            $says,
            $id === KindId::Several ? Declared::atMost(min(count($keys), $most ?? PHP_INT_MAX)) : null,
            $mapping === null && count($correct) === count($keys),
        );
    }

    /**
     * @param list<Choice> $choices
     * @param list<string> $identifiers
     * @param list<int> $keys
     *
     * @return array{Tag|null, Tag} a mapping, and the rule
     */
    private static function share(
        Marking $rule,
        array $choices,
        array $identifiers,
        array $keys,
        ?int $most,
        EffectiveSettings $settings,
        KindId $kind,
    ): array {
        if ($rule === Marking::Weighed) {
            $weights = array_map(static fn (Choice $c): Ratio => $c->weight?->exact() ?? Ratio::zero(), $choices);

            return [Declared::mapping(array_combine($identifiers, $weights), Ratio::zero()), Declared::share(Declared::mapped())];
        }
        if ($kind !== KindId::Several) {
            $several = Tag::of('multiple', [], ...array_map(static fn (int $i): Tag => Rules::identifier($identifiers[$i]), $keys));

            return [
                null,
                count($keys) === 1
                    ? Declared::match()
                    : Rules::when([
                        [Tag::of('member', [], Rules::variable(Declared::RESPONSE), $several), [Declared::share(Rules::number('1'))]],
                    ]),
            ];
        }
        $count = min(count($keys), $most ?? PHP_INT_MAX);
        if ($rule === Marking::Whole && $count === count($keys)) {
            return [null, Declared::match()];
        }
        $ones = array_fill_keys(array_map(static fn (int $i): string => $identifiers[$i], $keys), Ratio::one());
        if ($rule === Marking::Each) {
            $sum = Tag::of('sum', [], Rules::number((string) (count($choices) - count($keys))), Declared::mapped());

            return [Declared::mapping($ones, Ratio::of(-1)), Declared::share(Declared::part($sum, count($choices)))];
        }
        $costs = $rule === Marking::Whole ? Ratio::one() : $settings->wrongPartCosts();
        $mapping = Declared::mapping($ones, $costs->negated(), Ratio::zero(), Ratio::of($count));

        return [
            $mapping,
            $rule === Marking::Whole
                ? Declared::whole(Declared::mapped(), $count)
                : Declared::share(Declared::part(Declared::mapped(), $count)),
        ];
    }

    /** @return array<string, bool> what cannot be said of choices */
    public static function lost(ChoiceKind $kind): array
    {
        $choices = $kind->choices();

        return [
            'leads to' => array_filter($choices, static fn (Choice $c): bool => $c->leadsTo !== null) !== [],
            'tally' => array_filter($choices, static fn (Choice $c): bool => $c->tallies !== []) !== [],
            sprintf('yes and no: more than %d choices are written, and not read back here', Declarations::MOST) => count($choices) > Declarations::MOST,
        ];
    }

    /** Without a key: its texts are the numbers, the ends with their words. */
    public static function rating(Question $question, Rating $kind, Html $html): Body
    {
        $ends = [$kind->from => $kind->ends[0] ?? '', $kind->to => $kind->ends[1] ?? ''];
        $choices = array_map(
            static fn (int $n): Tag => Tag::of(
                'simpleChoice',
                ['identifier' => "N$n"],
                (string) $n . (($ends[$n] ?? '') === '' ? '' : ' – ' . $ends[$n]),
            ),
            range($kind->from, $kind->to),
        );

        return new Body(
            [Declared::response('single', 'identifier', [])],
            [
                ...$html->blocks($question->stem),
                Tag::of(
                    'choiceInteraction',
                    ['responseIdentifier' => Declared::RESPONSE, 'shuffle' => 'false', 'maxChoices' => '1'],
                    ...$choices,
                ),
            ],
        );
    }
}
