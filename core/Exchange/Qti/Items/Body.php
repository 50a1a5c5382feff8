<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items;

use Zetema\Core\Exchange\Qti\Listing;
use Zetema\Core\Exchange\Qti\PackageFiles;
use Zetema\Core\Exchange\Qti\Texts\Flow;
use Zetema\Core\Exchange\Qti\Xml\Element;

/** The body of an item: its stem, its interactions, and what of it is feedback or a hint and never part of the stem. */
final class Body
{
    public const INLINE = ['textEntryInteraction', 'inlineChoiceInteraction'];
    private const INTERACTIONS = [
        ...self::INLINE,
        'choiceInteraction',
        'hottextInteraction',
        'gapMatchInteraction',
        'matchInteraction',
        'associateInteraction',
        'orderInteraction',
        'selectPointInteraction',
        'hotspotInteraction',
        'graphicGapMatchInteraction',
        'sliderInteraction',
    ];
    private const WITHOUT_COUNTERPART = [
        'extendedTextInteraction',
        'uploadInteraction',
        'drawingInteraction',
        'mediaInteraction',
        'customInteraction',
        'portableCustomInteraction',
        'positionObjectStage',
        'positionObjectInteraction',
        'graphicOrderInteraction',
        'graphicAssociateInteraction',
    ];
    /** Elements that are neither text nor an interaction; what of them is not read elsewhere is listed. */
    private const ASIDE = [
        'printedVariable',
        'endAttemptInteraction',
        'xi:include',
        'include',
        'templateInline',
        'templateBlock',
        'catalogInfo',
    ];
    /** Where an inline interaction stands in the text, until it is known whether it is a gap. */
    private const HERE = "\u{4}";

    /** @var list<Element> in the order of the document */
    public array $interactions = [];
    /** @var list<Element> inline and block, modal not */
    public array $feedback = [];
    /** @var list<Element> infoControl, or details */
    public array $hints = [];
    public readonly Flow $flow;
    /** @var list<Element> gaps and hot texts, in the order of the text */
    public array $marks = [];
    private string $text = '';

    /**
     * @param list<Element> $before rubrics and stimuli that stand in front of the stem
     *
     * @throws Unreadable
     */
    public function __construct(Element $item, private readonly Listing $listing, ?string $folder, ?PackageFiles $files, array $before)
    {
        $this->flow = new Flow($listing, $folder, $files, $this->special(...));
        $body = $item->child('itemBody');
        foreach ($body?->below(...self::WITHOUT_COUNTERPART) ?? [] as $interaction) {
            throw new Unreadable($interaction);
        }
        $front = array_map($this->flow->blocks(...), $before);
        $own = $body === null ? '' : $this->flow->blocks($body);
        $this->text = implode("\n\n", array_filter([...$front, $own], static fn (string $t): bool => $t !== ''));
        if (
            count($this->interactions) > 1 &&
            array_filter($this->interactions, static fn (Element $i): bool => !in_array($i->name, self::INLINE, true)) !== []
        ) {
            throw new Unreadable($body ?? $item);
        }
    }

    private function special(Element $e): ?string
    {
        if (in_array($e->name, self::ASIDE, true)) {
            return '';
        }
        if (in_array($e->name, ['feedbackInline', 'feedbackBlock'], true)) {
            $this->feedback[] = $e;

            return '';
        }
        if (in_array($e->name, ['infoControl', 'details'], true)) {
            $this->hints[] = $e;

            return '';
        }
        if ($e->name === 'rubricBlock') {
            $e->take();

            return in_array('candidate', $e->list('view'), true) ? null : $this->unmatched($e);
        }
        if ($e->name === 'gap' || $e->name === 'hottext') {
            $this->marks[] = $e->take();

            return $e->name === 'gap' ? '___' : '**' . trim($this->flow->blocks($e)) . '**';
        }
        if (!in_array($e->name, self::INTERACTIONS, true)) {
            return null;
        }
        $this->interactions[] = $e->take();
        if (in_array($e->name, self::INLINE, true)) {
            return self::HERE;
        }
        $parts = in_array($e->name, ['gapMatchInteraction', 'hottextInteraction'], true) ? $e->children() : $e->children('prompt');
        $blocks = array_map(
            $this->flow->raw(...),
            array_filter($parts, static fn (Element $p): bool => !in_array($p->name, ['gapText', 'gapImg'], true)),
        );

        return Flow::BREAK . implode(Flow::BREAK, $blocks) . Flow::BREAK;
    }

    private function unmatched(Element $e): string
    {
        $this->listing->unmatched($e);
        $e->takeWhole();

        return '';
    }

    /** With a gap wherever something is filled in. */
    public function withGaps(): string
    {
        return str_replace(self::HERE, '___', $this->text);
    }

    /** With a gap only where it has words about it. */
    public function withOneField(): string
    {
        $blocks = array_map(
            static fn (string $b): string => trim(str_replace(self::HERE, '', $b)) === '' ? '' : str_replace(self::HERE, '___', $b),
            explode("\n\n", $this->text),
        );

        return implode("\n\n", array_filter($blocks, static fn (string $b): bool => $b !== ''));
    }

    /** Whether a field stands amid words. */
    public function isAmidWords(): bool
    {
        return array_filter(
            explode("\n\n", $this->text),
            static fn (string $b): bool => str_contains($b, self::HERE) && trim(str_replace(self::HERE, '', $b)) !== '',
        ) !== [];
    }
}
