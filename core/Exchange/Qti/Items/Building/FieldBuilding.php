<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items\Building;

use Zetema\Core\Exchange\Qti\Items\Context;
use Zetema\Core\Exchange\Qti\Items\Kinds\GapPart;
use Zetema\Core\Exchange\Qti\Items\Kinds\GapsItem;
use Zetema\Core\Exchange\Qti\Items\Kinds\NumberItem;
use Zetema\Core\Exchange\Qti\Items\Kinds\TextItem;
use Zetema\Core\Exchange\Qti\Items\Unreadable;
use Zetema\Core\Exchange\Qti\Marks\Answered;
use Zetema\Core\Exchange\Qti\Marks\Constants;
use Zetema\Core\Exchange\Qti\Variables\ResponseDeclaration;
use Zetema\Core\Exchange\Qti\Variables\Value;
use Zetema\Core\Exchange\Qti\Xml\Element;

/** Fields that are typed into or picked from: short text, a number, gaps. */
final class FieldBuilding
{
    /**
     * @param non-empty-list<Element> $interactions text entries and inline choices
     *
     * @throws Unreadable
     */
    public static function of(array $interactions, Context $context): Answered
    {
        array_map(Context::always(...), $interactions);
        if (count($interactions) === 1 && $interactions[0]->name === 'textEntryInteraction') {
            $declaration = $context->declaration($interactions[0]);
            if (in_array($declaration->type, ['float', 'integer'], true)) {
                return new NumberItem($context->stem($context->body->withOneField()), $declaration, $context->rules, $context->item->line);
            }
            if (!$context->body->isAmidWords()) {
                return new TextItem($context->stem($context->body->withOneField()), $declaration, $context->rules, $context->item->line);
            }
        }
        $declarations = $gaps = [];
        foreach ($interactions as $interaction) {
            $declarations[] = $declaration = $context->declaration($interaction);
            $gap =
                $interaction->name === 'inlineChoiceInteraction'
                    ? self::listed($interaction, $declaration, $context)
                    : self::typed($interaction, $declaration, $context);
            if ($gap->right() === null) {
                throw new Unreadable($interaction, 'gap');
            }
            $gaps[] = $gap;
        }

        return new GapsItem(
            $context->stem($context->body->withGaps()),
            $gaps,
            static fn (array $put): array => self::each($declarations, $put),
            $context->item->line,
        );
    }

    private static function listed(Element $interaction, ResponseDeclaration $declaration, Context $context): GapPart
    {
        $words = [];
        foreach ($interaction->children('inlineChoice') as $choice) {
            $words[] = ['token' => $choice->attribute('identifier') ?? '', 'text' => $context->text($choice)];
            $choice->attribute('fixed');
        }

        return new GapPart(
            true,
            $words,
            $declaration->correct?->texts()[0] ?? (self::best($declaration) ?? self::matched($declaration, $context->rules)),
        );
    }

    private static function typed(Element $interaction, ResponseDeclaration $declaration, Context $context): GapPart
    {
        if (in_array($declaration->type, ['float', 'integer'], true)) {
            $context->listing->unmatched($interaction);
            $ends = array_map(static fn (array $end): string => NumberItem::written($end[0]), Constants::ends($declaration, null));
            $words = array_map(static fn (string $n): array => ['token' => $n, 'text' => $n], $ends);

            return new GapPart(
                false,
                $words,
                $declaration->correct?->asNumber() === null
                    ? $words[0]['token'] ?? null
                    : NumberItem::written($declaration->correct->asNumber()),
            );
        }
        $words = array_map(
            static fn (string $w): array => ['token' => $w, 'text' => $w],
            Constants::wordings($declaration, $context->rules),
        );

        return new GapPart(
            false,
            $words,
            $declaration->correct?->texts()[0] ?? (self::best($declaration) ?? self::matched($declaration, $context->rules)),
        );
    }

    /** What a mapping is best for. */
    private static function best(ResponseDeclaration $declaration): ?string
    {
        $best = null;
        foreach ($declaration->mapping->entries ?? [] as $key => $worth) {
            if ($worth->isPositive() && ($best === null || $worth->isGreaterThan($best[1]))) {
                $best = [$key, $worth];
            }
        }

        return isset($best[0]) ? (string) $best[0] : null;
    }

    /** What the rules hold a response against. */
    private static function matched(ResponseDeclaration $declaration, ?Element $rules): ?string
    {
        foreach ($rules?->below('match', 'stringMatch', 'equal') ?? [] as $comparison) {
            if (
                $comparison->child('variable')?->attribute('identifier') === $declaration->identifier &&
                $comparison->child('baseValue') !== null
            ) {
                return Value::of($declaration->type, 'single', [$comparison->child('baseValue')->text()])?->texts()[0];
            }
        }

        return null;
    }

    /** @throws Unreadable */
    public static function gapMatch(Element $interaction, Context $context): Answered
    {
        Context::always($interaction);
        $declaration = $context->declaration($interaction);
        $words = [];
        foreach ($interaction->children('gapText', 'gapImg') as $word) {
            $words[] = ['token' => $word->attribute('identifier') ?? '', 'text' => self::word($word, $context)];
        }
        $gaps = $identifiers = [];
        $pairs =
            $declaration->correct?->texts() ??
            array_map(
                strval(...),
                array_keys(array_filter($declaration->mapping->entries ?? [], static fn ($w): bool => $w->isPositive())),
            );
        foreach ($context->body->marks as $gap) {
            $identifiers[] = $identifier = $gap->attribute('identifier') ?? '';
            $gap->attribute('matchGroup');
            $keys = array_values(
                array_filter(
                    array_map(static fn (string $p): array => [...explode(' ', $p), ''], $pairs),
                    static fn (array $p): bool => $p[1] === $identifier,
                ),
            );
            $gaps[] = new GapPart(true, $words, $keys[0][0] ?? throw new Unreadable($gap));
        }
        $default = $declaration->mapping?->default;

        return new GapsItem(
            $context->stem($context->body->withGaps()),
            $gaps,
            static fn (array $put): array => self::together($declaration, $identifiers, $put),
            $context->item->line,
            $default?->isNegative() === true ? $default->negated() : null,
        );
    }

    /**
     * Each gap has a variable of its own.
     *
     * @param list<ResponseDeclaration> $declarations
     * @param array<int, string> $put
     *
     * @return array<string, Value|null>
     */
    private static function each(array $declarations, array $put): array
    {
        $values = [];
        foreach ($declarations as $i => $declaration) {
            $values[$declaration->identifier] = isset($put[$i]) ? $declaration->value([$put[$i]]) : null;
        }

        return $values;
    }

    /**
     * All gaps are pairs in one variable.
     *
     * @param list<string> $identifiers of the gaps
     * @param array<int, string> $put
     *
     * @return array<string, Value|null>
     */
    private static function together(ResponseDeclaration $declaration, array $identifiers, array $put): array
    {
        $pairs = array_map(static fn (int $i, string $token): string => $token . ' ' . $identifiers[$i], array_keys($put), $put);

        return [$declaration->identifier => $declaration->value($pairs)];
    }

    private static function word(Element $word, Context $context): string
    {
        if ($word->name === 'gapText') {
            return $context->text($word);
        }
        $word->take();
        $label = $word->attribute('objectLabel');
        $picture = $word->child('object', 'img');

        return $picture === null ? (string) $label : $context->body->flow->medium($picture);
    }
}
