<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items\Building;

use Zetema\Core\Exchange\Qti\Items\Context;
use Zetema\Core\Exchange\Qti\Items\Kinds\MatchItem;
use Zetema\Core\Exchange\Qti\Items\Kinds\OrderItem;
use Zetema\Core\Exchange\Qti\Items\Unreadable;
use Zetema\Core\Exchange\Qti\Marks\Answered;
use Zetema\Core\Exchange\Qti\Variables\ResponseDeclaration;
use Zetema\Core\Exchange\Qti\Xml\Element;

/** Things that belong together: pairs, things in groups, things in an order. */
final class MatchBuilding
{
    /** @throws Unreadable */
    public static function of(Element $interaction, Context $context): Answered
    {
        $sets = array_map(
            static fn (Element $set): array => self::choices($set->take(), $context),
            $interaction->children('simpleMatchSet'),
        );
        [$left, $right] = [$sets[0] ?? [], $sets[1] ?? throw new Unreadable($interaction)];
        $declaration = self::taken($interaction, $context);
        $pairs = self::pairs($declaration);
        $forward = self::belongings($pairs, 0);
        $backward = self::belongings($pairs, 1);
        $stem = $context->stem($context->body->withGaps());
        if ($pairs === []) {
            throw new Unreadable($interaction);
        }
        if (
            self::isEachTakenOnce($left) &&
            self::isEachTakenOnce($right) &&
            self::belongsToOne($forward) &&
            self::belongsToOne($backward) &&
            count($forward) === count($left)
        ) {
            return self::made('pairs', $stem, $left, $right, $forward, $declaration, false, $context);
        }
        if ((!self::isEachTakenOnce($right) || self::isEachTakenOnce($left)) && self::belongsToOne($forward)) {
            return self::made('groups', $stem, $left, $right, $forward, $declaration, false, $context);
        }
        if (!self::isEachTakenOnce($left) && self::belongsToOne($backward)) {
            return self::made('groups', $stem, $right, $left, $backward, $declaration, true, $context);
        }

        throw new Unreadable($interaction);
    }

    /** @throws Unreadable */
    public static function associate(Element $interaction, Context $context): Answered
    {
        $choices = self::choices($interaction, $context);
        $declaration = self::taken($interaction, $context);
        $written = $declaration->element->child('correctResponse')?->children('value') ?? [];
        $pairs =
            $written === []
                ? self::pairs($declaration)
                : array_map(static fn (Element $v): array => [...Element::parts($v->text()), '', ''], $written);
        $named = array_merge(...array_map(static fn (array $p): array => [$p[0], $p[1]], $pairs));
        if ($pairs === [] || count($named) !== count(array_unique($named))) {
            throw new Unreadable($interaction);
        }
        $lefts = array_column($pairs, 0);
        $left = array_values(array_filter($choices, static fn (array $c): bool => in_array($c['identifier'], $lefts, true)));
        $right = array_values(array_filter($choices, static fn (array $c): bool => !in_array($c['identifier'], $lefts, true)));

        return self::made(
            'pairs',
            $context->stem($context->body->withGaps()),
            $left,
            $right,
            self::belongings($pairs, 0),
            $declaration,
            false,
            $context,
        );
    }

    /** @throws Unreadable */
    public static function order(Element $interaction, Context $context): Answered
    {
        Context::always($interaction);
        $declaration = $context->declaration($interaction);
        $items = [];
        foreach ($interaction->children('simpleChoice') as $choice) {
            $items[$choice->attribute('identifier') ?? ''] = [
                'identifier' => $choice->attribute('identifier') ?? '',
                'text' => $context->text($choice),
            ];
        }
        $right = $declaration->correct?->texts() ?? [];
        if (
            count($right) !== count($items) ||
            $interaction->attribute('minChoices') !== null ||
            $interaction->attribute('maxChoices') !== null
        ) {
            throw new Unreadable($interaction);
        }

        return new OrderItem(
            $context->stem($context->body->withGaps()),
            array_map(static fn (string $id): array => $items[$id], $right),
            $declaration,
            $context->item->line,
        );
    }

    private static function taken(Element $interaction, Context $context): ResponseDeclaration
    {
        Context::always($interaction);
        $declaration = $context->declaration($interaction);
        $pairs = self::pairs($declaration);
        $most = $interaction->whole('maxAssociations', 1);
        $interaction->attribute('minAssociations');
        if ($most !== 0 && $most < count($pairs)) {
            $context->listing->unmatched($interaction, ChoiceBuilding::written($interaction, 'maxAssociations'));
        }
        $right = array_map(static fn (array $p): string => $p[0] . ' ' . $p[1], $pairs);
        foreach ($declaration->element->below('mapEntry') as $entry) {
            $key = preg_replace('/\s+/', ' ', $entry->attribute('mapKey') ?? '') ?? '';
            $worth = $declaration->mapping->entries[$key] ?? null;
            if (
                $declaration->type === 'directedPair' &&
                !in_array($key, $right, true) &&
                $worth !== null &&
                $declaration->mapping?->default->isEqualTo($worth) === false
            ) {
                $context->listing->unmatched($entry);
            }
        }

        return $declaration;
    }

    /** @return list<array{identifier: string, text: string, most: int}> */
    private static function choices(Element $set, Context $context): array
    {
        return array_map(
            static fn (Element $choice): array => [
                'identifier' => $choice->attribute('identifier') ?? '',
                'text' => $context->text($choice),
                'most' => self::most($choice),
            ],
            $set->children('simpleAssociableChoice'),
        );
    }

    private static function most(Element $choice): int
    {
        array_map($choice->attribute(...), ['fixed', 'matchMin', 'showHide', 'templateIdentifier', 'matchGroup']);

        return $choice->whole('matchMax', 1);
    }

    /** @param list<array{identifier: string, text: string, most: int}> $set */
    private static function isEachTakenOnce(array $set): bool
    {
        return array_filter($set, static fn (array $choice): bool => $choice['most'] !== 1) === [];
    }

    /** @param array<string, list<string>> $belongs */
    private static function belongsToOne(array $belongs): bool
    {
        return array_filter($belongs, static fn (array $to): bool => count($to) > 1) === [];
    }

    /** @return list<array{string, string}> that are right: by what is correct, else by what earns something */
    public static function pairs(ResponseDeclaration $declaration): array
    {
        $written =
            $declaration->correct?->texts() ??
            array_map(
                strval(...),
                array_keys(array_filter($declaration->mapping->entries ?? [], static fn ($worth): bool => $worth->isPositive())),
            );

        return array_map(static function (string $pair): array {
            [$a, $b] = [...explode(' ', $pair), '', ''];

            return [$a, $b];
        }, $written);
    }

    /**
     * @param list<array<int, string>> $pairs
     *
     * @return array<string, list<string>> what each belongs to
     */
    private static function belongings(array $pairs, int $from): array
    {
        $to = [];
        foreach ($pairs as $pair) {
            $to[$pair[$from]][] = $pair[1 - $from];
        }

        return $to;
    }

    /**
     * @param list<array{identifier: string, text: string, most: int}> $things
     * @param list<array{identifier: string, text: string, most: int}> $targets
     * @param array<string, list<string>> $belongs
     */
    private static function made(
        string $kind,
        string $stem,
        array $things,
        array $targets,
        array $belongs,
        ResponseDeclaration $declaration,
        bool $isTurned,
        Context $context,
    ): MatchItem {
        $places = array_column($targets, 'identifier');
        if ($kind === 'pairs') {
            // Ours stand beside their lefts, spares last.
            $places = array_map(static fn (array $t): string => $belongs[$t['identifier']][0], $things);
            $places = [...$places, ...array_values(array_diff(array_column($targets, 'identifier'), $places))];
        }
        $byId = array_column($targets, null, 'identifier');
        $targets = array_map(static fn (string $id): array => ['identifier' => $id, 'text' => $byId[$id]['text'], 'name' => null], $places);
        $things = array_map(
            static fn (array $t): array => [
                'identifier' => $t['identifier'],
                'text' => $t['text'],
                'target' => isset($belongs[$t['identifier']]) ? (int) array_search($belongs[$t['identifier']][0], $places, true) : null,
            ],
            $things,
        );
        if ($kind === 'groups') {
            usort($things, static fn (array $a, array $b): int => ($a['target'] ?? PHP_INT_MAX) <=> ($b['target'] ?? PHP_INT_MAX));
        }

        return new MatchItem($kind, $stem, $things, $targets, $declaration, $isTurned, $context->item->line);
    }
}
