<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items\Building;

use Zetema\Core\Exchange\Qti\Items\Context;
use Zetema\Core\Exchange\Qti\Items\Kinds\ChoiceItem;
use Zetema\Core\Exchange\Qti\Items\Kinds\NumberItem;
use Zetema\Core\Exchange\Qti\Items\Kinds\RatingItem;
use Zetema\Core\Exchange\Qti\Items\Unreadable;
use Zetema\Core\Exchange\Qti\Marks\Answered;
use Zetema\Core\Exchange\Qti\Variables\Value;
use Zetema\Core\Exchange\Qti\Xml\Element;

/** Choices, hot texts and sliders as multiple choice, multiple response, a claim or a scale. */
final class ChoiceBuilding
{
    private const MOST_STEPS = 100;

    /** @throws Unreadable */
    public static function of(Element $interaction, Context $context): Answered
    {
        $declaration = $context->declaration($interaction);
        if ($declaration->cardinality === 'ordered') {
            throw new Unreadable($declaration->element, 'cardinality');
        }
        $choices = [];
        foreach ($interaction->below('simpleChoice', 'hottext') as $choice) {
            $choices[] = [
                'identifier' => $choice->attribute('identifier') ?? '',
                'text' => $context->text($choice),
                'pinned' => $choice->flag('fixed'),
            ];
            array_map($choice->attribute(...), ['showHide', 'templateIdentifier']);
        }
        $most = $interaction->whole('maxChoices', 1);
        $least = $interaction->whole('minChoices', 0);
        $count = count($choices);
        $isSeveral = $declaration->cardinality === 'multiple';
        $words = $isSeveral ? null : self::claim($choices);
        $settings = $words === null || $words === '' ? [] : ['words' => $words];
        if ($interaction->flag('shuffle')) {
            $settings['shuffle'] = 'yes';
        }
        if ($interaction->attribute('orientation') === 'horizontal') {
            $settings['layout'] = 'row';
        }
        if (!$isSeveral) {
            return new ChoiceItem(
                $words === null ? 'one' : 'claim',
                self::stem($interaction, $context),
                $choices,
                0,
                1,
                $declaration,
                $settings,
                $context->item->line,
            );
        }
        $isAny = $most === 0 || $most >= $count;
        if (!$isAny) {
            $settings['choose'] = $least === $most ? (string) $most : 'at most ' . $most;
        }
        if ($least > 1 && ($isAny || $least !== $most)) {
            $context->listing->unmatched($interaction, self::written($interaction, 'minChoices'));
        }

        return new ChoiceItem(
            'several',
            self::stem($interaction, $context),
            $choices,
            !$isAny && $least === $most ? $least : 0,
            $isAny ? $count : $most,
            $declaration,
            $settings,
            $context->item->line,
        );
    }

    /** @throws Unreadable */
    public static function slider(Element $interaction, Context $context): Answered
    {
        $declaration = $context->declaration($interaction);
        $ends = array_map(static fn (string $end): ?string => Value::number($interaction->attribute($end) ?? '')?->decimal(), [
            'lowerBound',
            'upperBound',
        ]);
        $step = $interaction->attribute('step') ?? '1';
        array_map($interaction->attribute(...), ['stepLabel', 'orientation', 'reverse']);
        [$from, $to] = array_map(
            static fn (?string $e): ?int => $e !== null && preg_match('/^\d{1,3}$/', $e) === 1 ? (int) $e : null,
            $ends,
        );
        $isJudged =
            $declaration->correct !== null || $declaration->mapping !== null || ($context->rules?->below('setOutcomeValue') ?? []) !== [];
        $stem = self::stem($interaction, $context);
        if (!$isJudged && $step === '1' && $from !== null && $to !== null && $to > $from && $to - $from <= self::MOST_STEPS) {
            return new RatingItem($stem, $from, $to, $context->item->line);
        }
        $context->listing->unmatched($interaction);

        return new NumberItem($stem, $declaration, $context->rules, $context->item->line);
    }

    /** @throws Unreadable */
    private static function stem(Element $interaction, Context $context): string
    {
        return $context->stem($context->body->withGaps());
    }

    /**
     * The two words of a claim.
     *
     * @param list<array{identifier: string, text: string, pinned: bool}> $choices
     *
     * @return string|null '' for true and false; null where it is none
     */
    private static function claim(array $choices): ?string
    {
        if (count($choices) !== 2) {
            return null;
        }
        $texts = array_column($choices, 'text');
        if ($texts === ['true', 'false']) {
            return '';
        }
        $isClaim =
            array_map(mb_strtolower(...), $texts) === ['true', 'false'] ||
            array_map(strtolower(...), array_column($choices, 'identifier')) === ['true', 'false'];

        return $isClaim && preg_match('/[,\n]/', implode('', $texts)) !== 1 ? implode(', ', $texts) : null;
    }

    /** An attribute’s name as the file has it. */
    public static function written(Element $e, string $attribute): string
    {
        return str_starts_with($e->written, 'qti-') ? strtolower(preg_replace('/(?=[A-Z])/', '-', $attribute) ?? $attribute) : $attribute;
    }
}
