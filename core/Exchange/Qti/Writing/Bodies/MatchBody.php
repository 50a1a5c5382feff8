<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Writing\Bodies;

use Zetema\Core\Exchange\Qti\Writing\Body;
use Zetema\Core\Exchange\Qti\Writing\Html;
use Zetema\Core\Exchange\Qti\Writing\Rules;
use Zetema\Core\Exchange\Qti\Writing\Tag;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\Part;
use Zetema\Core\Question\Kinds\Groups\Groups;
use Zetema\Core\Question\Kinds\Order\Order;
use Zetema\Core\Question\Kinds\Pairs\Pairs;
use Zetema\Core\Question\Kinds\Place\Place;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Marking;

/** Things that belong to others: pairs, things in groups, labels on spots; and things in an order. */
final class MatchBody
{
    public static function pairs(Question $question, Pairs $kind, EffectiveSettings $settings, Html $html): Body
    {
        $withs = [...array_map(static fn (Part $p): string => $p->with ?? '', $kind->pairs), ...$kind->spares];
        $left = array_map(static fn (Part $p): string => $p->text, $kind->pairs);

        return self::match($question, self::sets($left, $withs, '1', $html), $kind->pairs, count($withs), $settings, $html);
    }

    public static function groups(Question $question, Groups $kind, EffectiveSettings $settings, Html $html): Body
    {
        $items = array_map(static fn (Part $p): string => $p->text, $kind->items);

        return self::match($question, self::sets($items, $kind->groups, '0', $html), $kind->items, count($kind->groups), $settings, $html);
    }

    /**
     * @param list<string> $left
     * @param list<string> $right
     */
    private static function sets(array $left, array $right, string $most, Html $html): Tag
    {
        return Tag::of(
            'matchInteraction',
            ['responseIdentifier' => Declared::RESPONSE, 'shuffle' => 'true', 'maxAssociations' => '0'],
            self::set($left, 'L', '1', $html),
            self::set($right, 'T', $most, $html),
        );
    }

    /** @param list<string> $texts */
    private static function set(array $texts, string $prefix, string $most, Html $html): Tag
    {
        return Tag::of(
            'simpleMatchSet',
            [],
            ...array_map(
                static fn (string $t, int $i): Tag => Tag::of(
                    'simpleAssociableChoice',
                    ['identifier' => $prefix . ($i + 1), 'matchMax' => $most],
                    ...$html->text($t),
                ),
                $texts,
                array_keys($texts),
            ),
        );
    }

    /** @param list<Part> $parts */
    private static function match(
        Question $question,
        Tag $interaction,
        array $parts,
        int $targets,
        EffectiveSettings $settings,
        Html $html,
    ): Body {
        [$declaration, $share, $isMatch] = self::scored($parts, $targets, $settings);
        $belonging = count(array_filter($parts, static fn (Part $p): bool => !$p->isSpare()));

        return new Body(
            [$declaration],
            [...$html->blocks($question->stem), $interaction],
            $share,
            Declared::blank(),
            [],
            Declared::atMost($belonging),
            $isMatch,
        );
    }

    /**
     * @param list<Part> $parts
     *
     * @return array{Tag, list<Tag>, bool} declaration, rules, whether it is right when it is the correct response
     */
    private static function scored(array $parts, int $targets, EffectiveSettings $settings): array
    {
        $correct = $ones = [];
        foreach ($parts as $i => $part) {
            foreach ($part->belongs as $n => $target) {
                $pair = 'L' . ($i + 1) . ' T' . $target;
                $correct = $n === 0 ? [...$correct, $pair] : $correct;
                $ones[$pair] = Ratio::one();
            }
        }
        $rule = $settings->marking();
        $declared = static fn (?Tag $mapping): Tag => Declared::response('multiple', 'directedPair', $correct, $mapping);
        if ($rule === Marking::Weighed) {
            return [
                $declared(null),
                array_map(static fn (Part $p, int $i): Tag => self::weighedPart($p, 'L' . ($i + 1), $targets), $parts, array_keys($parts)),
                false,
            ];
        }
        $count = count($correct);
        if ($rule === Marking::Whole && count($ones) === $count) {
            return [$declared(null), [Declared::match()], true];
        }
        $costs = $rule === Marking::Whole ? Ratio::one() : $settings->wrongPartCosts();
        $mapping = Declared::mapping($ones, $costs->negated(), Ratio::zero(), Ratio::of($count));

        return [
            $declared($mapping),
            [
                $rule === Marking::Whole
                    ? Declared::whole(Declared::mapped(), $count)
                    : Declared::share(Declared::part(Declared::mapped(), $count)),
            ],
            false,
        ];
    }

    /** What a part earns where it belongs, and loses anywhere else. */
    private static function weighedPart(Part $part, string $identifier, int $targets): Tag
    {
        $wrong = array_values(array_diff(array_map(strval(...), range(1, max(1, $targets))), $part->belongs));
        $loses = $part->loses?->exact() ?? Ratio::zero();
        $branches = [
            ...$part->isSpare()
                ? []
                : [[self::in($identifier, $part->belongs), [Declared::add(Rules::number($part->earns?->exact() ?? Ratio::zero()))]]],
            ...$wrong === [] || $loses->isZero()
                ? []
                : [[self::in($identifier, $wrong), [Declared::add(Rules::number($loses->negated()))]]],
        ];

        return $branches === [] ? Declared::add(Rules::number('0')) : Rules::when($branches);
    }

    /** @param list<string> $targets in any of which it is */
    private static function in(string $identifier, array $targets): Tag
    {
        $each = array_map(static fn (string $t): Tag => Declared::has("$identifier T$t", 'directedPair'), $targets);

        return count($each) === 1 ? $each[0] : Tag::of('or', [], ...$each);
    }

    public static function place(Question $question, Place $kind, EffectiveSettings $settings, Html $html, Version $version): Body
    {
        $labels = $pictures = [];
        foreach ($kind->labels as $i => $label) {
            $attributes = ['identifier' => 'L' . ($i + 1), 'matchMax' => '1'];
            $isPicture = preg_match('/^!\[([^\]]*)\]\(([^()\s]+)\)$/u', $label->text, $m) === 1;
            if (!$isPicture && $version === Version::V30) {
                $labels[] = Tag::of('gapText', $attributes, ...$html->inline($label->text));
                continue;
            }
            $words = $isPicture ? $m[1] : $label->text;
            $drawing = $isPicture ? null : self::drawing($words);
            $file = $drawing === null ? rawurldecode($m[2]) : 'label-' . substr(hash('sha256', $words), 0, 12) . '.svg';
            $pictures = $drawing === null ? $pictures : [...$pictures, $file => $drawing];
            $labels[] = Tag::of('gapImg', [...$attributes, 'objectLabel' => $words], $html->object($file, $words));
        }
        $spots = array_map(
            static fn (array $s, int $i): Tag => Tag::of('associableHotspot', [
                'identifier' => 'T' . ($i + 1),
                'matchMax' => '1',
                'shape' => 'circle',
                'coords' => "$s[x],$s[y],$s[radius]",
            ]),
            $kind->spots,
            array_keys($kind->spots),
        );
        $interaction = Tag::of(
            'graphicGapMatchInteraction',
            ['responseIdentifier' => Declared::RESPONSE],
            $html->object($kind->picture->file, $kind->picture->shows, $kind->picture),
            ...$labels,
            ...$spots,
        );
        [$declaration, $share, $isMatch] = self::scored($kind->labels, count($kind->spots), $settings);
        $belonging = count(array_filter($kind->labels, static fn (Part $p): bool => !$p->isSpare()));

        return new Body(
            [$declaration],
            [...$html->blocks($question->stem), $interaction],
            $share,
            Declared::blank(),
            [],
            Declared::atMost($belonging),
            $isMatch,
            $pictures,
        );
    }

    /** Words as a drawing, for a version that knows only pictures. */
    private static function drawing(string $words): string
    {
        $text = htmlspecialchars($words, ENT_XML1 | ENT_QUOTES, 'UTF-8');
        $width = 16 + 9 * mb_strlen($words);

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"$width\" height=\"24\" viewBox=\"0 0 $width 24\">" .
            "<text x=\"8\" y=\"17\" font-size=\"16\">$text</text></svg>";
    }

    public static function order(Question $question, Order $kind, EffectiveSettings $settings, Html $html): Body
    {
        $right = array_map(static fn (int $i): string => 'I' . ($i + 1), array_keys($kind->items));
        $choices = array_map(
            static fn (Part $p, string $i): Tag => Tag::of('simpleChoice', ['identifier' => $i], ...$html->text($p->text)),
            $kind->items,
            $right,
        );
        // Turned by one, so that it never starts solved.
        $interaction = Tag::of(
            'orderInteraction',
            ['responseIdentifier' => Declared::RESPONSE, 'shuffle' => 'true'],
            ...array_slice($choices, 1),
            ...array_slice($choices, 0, 1),
        );
        $count = count($right);
        $share = match ($settings->marking()) {
            Marking::PartsByPlace => array_map(
                static fn (string $id, int $i): Tag => Rules::when([
                    [
                        Tag::of(
                            'match',
                            [],
                            Tag::of('index', ['n' => (string) ($i + 1)], Rules::variable(Declared::RESPONSE)),
                            Rules::identifier($id),
                        ),
                        [Declared::add(Rules::fraction(Ratio::nd(1, $count)))],
                    ],
                ]),
                $right,
                array_keys($right),
            ),
            Marking::PartsByNeighbour => array_map(
                static fn (int $i): Tag => Rules::when([
                    [
                        Tag::of(
                            'contains',
                            [],
                            Rules::variable(Declared::RESPONSE),
                            Tag::of('ordered', [], Rules::identifier($right[$i]), Rules::identifier($right[$i + 1])),
                        ),
                        [Declared::add(Rules::fraction(Ratio::nd(1, $count - 1)))],
                    ],
                ]),
                range(0, $count - 2),
            ),
            Marking::Whole, Marking::Parts, Marking::Each, Marking::Weighed => [Declared::match()],
        };

        return new Body(
            [Declared::response('ordered', 'identifier', $right)],
            [...$html->blocks($question->stem), $interaction],
            $share,
            Declared::blank(),
            isMatch: $settings->marking() === Marking::Whole,
        );
    }
}
