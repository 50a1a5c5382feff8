<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items;

use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Qti\Items\Building\ChoiceBuilding;
use Zetema\Core\Exchange\Qti\Items\Building\FieldBuilding;
use Zetema\Core\Exchange\Qti\Items\Building\MatchBuilding;
use Zetema\Core\Exchange\Qti\Items\Building\PictureBuilding;
use Zetema\Core\Exchange\Qti\Items\Kinds\ChoiceItem;
use Zetema\Core\Exchange\Qti\Items\Kinds\RegionsItem;
use Zetema\Core\Exchange\Qti\Items\Kinds\TextItem;
use Zetema\Core\Exchange\Qti\Listing;
use Zetema\Core\Exchange\Qti\Marks\Answered;
use Zetema\Core\Exchange\Qti\Marks\Marking;
use Zetema\Core\Exchange\Qti\Marks\MarkingFit;
use Zetema\Core\Exchange\Qti\PackageFiles;
use Zetema\Core\Exchange\Qti\Variables\Value;
use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Exchange\Written\QuestionLines;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Question\Question;

/** Reads one item: its texts, its answers, the marking that its rules come to, its feedback and hints. */
final class ItemReader
{
    /**
     * @param string|null $folder of the item's file, from the package's root; null: it stands alone
     * @param list<Element> $stimuli that stand in front of the stem
     */
    public static function read(
        Element $item,
        string $file,
        ?string $folder = null,
        ?PackageFiles $files = null,
        array $stimuli = [],
    ): ReadItem {
        $identifier = $item->take()->attribute('identifier') ?? '';
        $name = self::name($identifier, $item->attribute('title') ?? '');
        $listing = new Listing($identifier, $file);
        try {
            return self::whole($item, $name, $identifier, $listing, $folder, $files, $stimuli);
        } catch (Unreadable $e) {
            $listing = new Listing($identifier, $file);
            $listing->unmatched($e->at, $e->what);

            return new ReadItem($identifier, $name, $item->line, $listing);
        } catch (Broken $e) {
            $listing->forgetUnmatched();
            $listing->problem($e->at, $e->getMessage());

            return new ReadItem($identifier, $name, $item->line, $listing, isBroken: true);
        }
    }

    /** The identifier, or the title of which it was made. */
    private static function name(string $identifier, string $title): string
    {
        $plain = preg_replace('/-2$/', '', $identifier) ?? $identifier;

        return $title !== '' && in_array(self::identifierOf($title), [$identifier, $plain], true) ? $title : $identifier;
    }

    /** An identifier for a name: what cannot stand in one is a hyphen. */
    public static function identifierOf(string $name): string
    {
        $identifier = preg_replace('/[^A-Za-z0-9_.-]/u', '-', $name) ?? '';

        return preg_match('/^[A-Za-z_]/', $identifier) === 1 ? $identifier : 'q-' . $identifier;
    }

    /**
     * @param list<Element> $stimuli
     *
     * @throws Unreadable|Broken
     */
    private static function whole(
        Element $item,
        string $name,
        string $identifier,
        Listing $listing,
        ?string $folder,
        ?PackageFiles $files,
        array $stimuli,
    ): ReadItem {
        if ($item->flag('adaptive')) {
            throw new Unreadable($item, 'adaptive');
        }
        foreach ($item->children('templateDeclaration') as $template) {
            throw new Unreadable($template);
        }
        $title = $item->attribute('title') ?? '';
        $rubrics = $item->children('rubricBlock');
        $body = new Body($item, $listing, $folder, $files, [...$stimuli, ...$rubrics]);
        if ($body->interactions === []) {
            $listing->rest($item);

            return new ReadItem(
                $identifier,
                $name,
                $item->line,
                $listing,
                page: new Page($name, $title === '' ? null : $title, $body->withGaps()),
            );
        }
        $rules = $item->child('responseProcessing')?->takeWhole();
        $context = new Context(
            $item,
            $body,
            Declarations::of($item, $body->interactions, $listing),
            $rules,
            $listing,
            $files,
            $title === '' ? $name : $title,
        );
        $answered = self::answered($context);
        $runs = new Runs($item, $context, $answered, self::size($body->interactions[0]));
        $answered->settle($runs->marks());
        $marking = self::marking($answered, $runs, $context);
        $lines = self::lines($answered, $marking, $runs, $context, $item);
        if ($name !== '') {
            $lines->add('name', $name);
        }
        $listing->rest($item);

        return new ReadItem($identifier, $name, $item->line, $listing, $lines);
    }

    /** @throws Unreadable */
    private static function answered(Context $context): Answered
    {
        $interactions = $context->body->interactions;
        $first = $interactions[0] ?? throw new \LogicException('an item without interactions is a page');
        Context::always($first);

        return match ($first->name) {
            'choiceInteraction', 'hottextInteraction' => ChoiceBuilding::of($first, $context),
            'sliderInteraction' => ChoiceBuilding::slider($first, $context),
            'matchInteraction' => MatchBuilding::of($first, $context),
            'associateInteraction' => MatchBuilding::associate($first, $context),
            'orderInteraction' => MatchBuilding::order($first, $context),
            'gapMatchInteraction' => FieldBuilding::gapMatch($first, $context),
            'selectPointInteraction', 'hotspotInteraction' => PictureBuilding::regions($first, $context),
            'graphicGapMatchInteraction' => PictureBuilding::place($first, $context),
            default => FieldBuilding::of($interactions, $context),
        };
    }

    /** @return array{int, int} of the interaction's picture, as far as it is said */
    private static function size(Element $interaction): array
    {
        $object = $interaction->child('object', 'img');

        return [(int) ($object?->attribute('width') ?? 0), (int) ($object?->attribute('height') ?? 0)];
    }

    private static function marking(Answered $answered, Runs $runs, Context $context): Marking
    {
        $hasCorrect = array_filter($context->declarations, static fn ($d): bool => $d->correct !== null) !== [];
        $fit = new MarkingFit($answered, $runs->marks(), $runs->later(), $hasCorrect);
        $at = $context->rules ?? $context->item;
        if ($runs->failed !== null) {
            $context->listing->unmatched($runs->failed->at);
        } elseif ($answered instanceof TextItem && $answered->isMixed()) {
            $mapping = array_values($context->declarations)[0]->element->below('mapEntry')[0] ?? $at;
            $context->listing->unmatched($mapping, ChoiceBuilding::written($mapping, 'caseSensitive'));
        } elseif (!$fit->fits || $fit->isCut || !$runs->hasScore()) {
            $context->listing->unmatched($at, $context->rules === null ? 'responseProcessing' : '');
        }
        if ($answered instanceof ChoiceItem && !$answered->agrees() && $fit->marking->rule !== 'weighed') {
            $correct = array_values($context->declarations)[0]->element->child('correctResponse');
            $context->listing->problem(
                $correct ?? $at,
                sprintf('%s: something else scores; the key is what scores', $correct->written ?? 'correctResponse'),
            );
        }
        if ($answered instanceof RegionsItem && $fit->marking->isWeighed()) {
            self::weighedAreas($context);
        }

        return $fit->marking;
    }

    /** Where each area has points of its own, one cannot be the rest of the picture, and a click beside all earns nothing. */
    private static function weighedAreas(Context $context): void
    {
        $mapping = array_values($context->declarations)[0]->areaMapping;
        foreach ($mapping?->children('areaMapEntry') ?? [] as $entry) {
            if ($entry->attribute('shape') === 'default') {
                $context->listing->unmatched($entry, 'default');
            }
        }
        if ($mapping !== null && Value::number($mapping->attribute('defaultValue') ?? '0')?->isZero() === false) {
            $context->listing->unmatched($mapping, ChoiceBuilding::written($mapping, 'defaultValue'));
        }
    }

    private static function lines(Answered $answered, Marking $marking, Runs $runs, Context $context, Element $item): QuestionLines
    {
        $feedback = [...$context->body->feedback, ...$item->children('modalFeedback')];
        $identifiers =
            $answered instanceof ChoiceItem
                ? array_map(
                    static fn (Element $c): string => $c->attribute('identifier') ?? '',
                    $context->body->interactions[0]->below('simpleChoice', 'hottext'),
                )
                : [];
        $said =
            $feedback === []
                ? null
                : new ItemFeedback(
                    $feedback,
                    $context,
                    $answered->tries(),
                    self::judged($answered, $marking, array_keys($runs->outcomes)),
                    $runs->outcomes,
                    $identifiers,
                    $answered instanceof ChoiceItem && $answered->isClaim(),
                );
        $lines = $marking->sayIn($answered->lines($marking, $said->says ?? []));
        foreach ($context->body->hints as $hint) {
            $hint->take();
            foreach ($hint->children('summary') as $summary) {
                $summary->takeWhole();
                $hint->nodes = array_values(array_filter($hint->nodes, static fn (Element|string $n): bool => $n !== $summary));
            }
            $lines->add('hint', $context->body->flow->blocks($hint));
        }
        foreach ($said->lines ?? [] as [$head, $text]) {
            $lines->add($head, $text);
        }

        return $lines;
    }

    /**
     * @param list<int> $attempts
     *
     * @return array<int, list<string>> outcome of each try, by attempt
     */
    private static function judged(Answered $answered, Marking $marking, array $attempts): array
    {
        $question = $marking->sayIn($answered->lines($marking))->make();
        if (!$question instanceof Question) {
            return array_fill_keys($attempts, array_map(static fn (): string => '', $answered->tries()));
        }
        $settings = $question->effective();
        $plan = MarkingPlan::of($question, $settings);
        $marker = new Marker();
        $judged = [];
        foreach ($answered->tries() as $tried) {
            try {
                $response = $question->kind->response($tried->response, $settings, complete: false);
            } catch (Malformed) {
                $response = null;
            }
            foreach ($attempts as $attempt) {
                $judged[$attempt][] = $response === null ? '' : $marker->mark($plan, $response, $attempt)->outcome->value;
            }
        }

        return $judged;
    }
}
