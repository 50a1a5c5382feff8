<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items;

use Zetema\Core\Exchange\Qti\Listing;
use Zetema\Core\Exchange\Qti\Variables\ResponseDeclaration;
use Zetema\Core\Exchange\Qti\Xml\Element;

/** The variables of an item, held against its interactions. */
final class Declarations
{
    /** Choices, places and mapped values of one item: each is tried with others, so that more would keep everybody waiting. */
    public const MOST = 400;
    /** As many as the text format numbers. */
    public const MOST_GAPS = 99;
    /** Every two of them are held against each other. */
    public const MOST_AREAS = 60;
    /** Elements whose identifiers a response is made of. */
    private const NAMED = [
        'simpleChoice',
        'inlineChoice',
        'hottext',
        'simpleAssociableChoice',
        'gapText',
        'gapImg',
        'gap',
        'hotspotChoice',
        'associableHotspot',
    ];

    /**
     * @param list<Element> $interactions
     *
     * @return array<string, ResponseDeclaration> of the item's interactions
     *
     * @throws Broken|Unreadable
     */
    public static function of(Element $item, array $interactions, Listing $listing): array
    {
        self::few($item, self::MOST_GAPS, 'gaps', ['gap', 'textEntryInteraction', 'inlineChoiceInteraction']);
        self::few($item, self::MOST_AREAS, 'areas', ['hotspotChoice', 'areaMapEntry', 'inside']);
        self::few($item, self::MOST, 'choices, places, mapped values and feedback', [
            ...self::NAMED,
            'mapEntry',
            'modalFeedback',
            'feedbackInline',
            'feedbackBlock',
        ]);
        $declared = [];
        foreach ($item->children('responseDeclaration') as $element) {
            $element->takeWhole();
            $declaration = ResponseDeclaration::of($element);
            foreach ($element->children('defaultValue') as $chosen) {
                $listing->unmatched($chosen); // nothing is chosen here before a candidate does
            }
            if (isset($declared[$declaration->identifier])) {
                throw new Broken(
                    $element,
                    sprintf('%s: the identifier “%s” stands here twice', $element->written, $declaration->identifier),
                );
            }
            if ($declaration->cardinality === 'record') {
                throw new Unreadable($element, 'cardinality');
            }
            $declared[$declaration->identifier] = $declaration;
        }
        $used = [];
        foreach ($interactions as $interaction) {
            $identifier = $interaction->attribute('responseIdentifier') ?? '';
            $declaration =
                $declared[$identifier] ??
                throw new Broken($interaction, sprintf('%s: there is no responseDeclaration “%s”', $interaction->written, $identifier));
            self::verify($declaration, $interaction);
            $used[$identifier] = $declaration;
        }

        return $used;
    }

    /**
     * @param non-empty-list<string> $names of elements
     *
     * @throws Broken
     */
    private static function few(Element $item, int $most, string $what, array $names): void
    {
        $has = count($item->below(...$names));
        if ($has > $most) {
            throw new Broken($item, sprintf('%s: has %s %s; up to %d are read', $item->written, number_format($has), $what, $most));
        }
    }

    /** @throws Broken */
    private static function verify(ResponseDeclaration $declaration, Element $interaction): void
    {
        $known = [];
        foreach ($interaction->below(...self::NAMED) as $choice) {
            $identifier = $choice->attribute('identifier') ?? '';
            if (isset($known[$identifier])) {
                throw new Broken($choice, sprintf('%s: the identifier “%s” stands here twice', $choice->written, $identifier));
            }
            $known[$identifier] = true;
        }
        if (!in_array($declaration->type, ['identifier', 'pair', 'directedPair'], true)) {
            return;
        }
        $named = [
            'correctResponse' => $declaration->correct?->texts() ?? [],
            'mapKey' => array_map(strval(...), array_keys($declaration->mapping->entries ?? [])),
        ];
        foreach ($named as $where => $values) {
            foreach ($values as $value) {
                foreach (explode(' ', $value) as $identifier) {
                    if (!isset($known[$identifier])) {
                        throw new Broken(
                            $declaration->element->below($where === 'mapKey' ? 'mapEntry' : 'correctResponse')[0] ?? $declaration->element,
                            sprintf('%s: “%s” is no choice of this item', $where, $identifier),
                        );
                    }
                }
            }
        }
    }
}
