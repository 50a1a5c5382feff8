<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Tests;

use Zetema\Core\Exchange\Qti\Items\Building\ChoiceBuilding;
use Zetema\Core\Exchange\Qti\Listing;
use Zetema\Core\Exchange\Qti\PackageFiles;
use Zetema\Core\Exchange\Qti\QtiSource;
use Zetema\Core\Exchange\Qti\Texts\Flow;
use Zetema\Core\Exchange\Qti\Texts\Paths;
use Zetema\Core\Exchange\Qti\Variables\Value;
use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Exchange\Qti\Xml\RefusedXml;
use Zetema\Core\Exchange\TextFormat\Page;
use Zetema\Core\Numbers\Ratio;

/** Reads a test of the standard as a blueprint: sections as steps and draws, what holds while they are asked, what passes. */
final class TestReader
{
    /**
     * @var list<array{paths: list<string>, take: int|null, mixed: bool, controls: list<Control>, weights: list<Ratio|null>,
     *   page: string|null, element: Element}> in running order
     */
    private array $steps = [];
    /** @var list<array{title: string, from: int, to: int, seconds: int}> */
    private array $timed = [];
    /** @var list<array{Element, int, int}> elements that routes may name, with their first and last steps */
    private array $places = [];
    /** @var list<Page> */
    public array $pages = [];
    public readonly Listing $listing;
    private Control $control;
    private bool $isSimultaneous = false;
    /** @var array<string, mixed> */
    private array $rules = [];

    public function __construct(
        private readonly Element $root,
        string $path,
        private readonly string $folder,
        private readonly PackageFiles $files,
    ) {
        $this->listing = new Listing($root->take()->attribute('identifier') ?? '', $path);
        $this->control = Control::none()->within($root, $this->listing);
        if ($this->control->seconds !== null) {
            $this->rules['seconds'] = $this->control->seconds;
        }
        $this->rubric($root, $this->listing->item);
        foreach ($root->children('testPart') as $i => $part) {
            $this->part($part->take(), $i === 0);
        }
    }

    private function part(Element $part, bool $isFirst): void
    {
        $moving = ($part->attribute('navigationMode') ?? 'linear') === 'linear' ? 'forward only' : 'any order';
        $this->isSimultaneous = ($part->attribute('submissionMode') ?? 'individual') === 'simultaneous';
        $control = $this->control->within($part, $this->listing);
        $said = ['moving' => $moving, 'tellsAtOnce' => !$this->isSimultaneous && $control->says('showFeedback') !== false];
        $said += $control->says('allowSkipping') === false ? ['mayLeaveBlank' => false] : [];
        $said += $control->says('showSolution') === true ? ['showsKey' => true] : [];
        $said += $control->says('allowReview') === false ? ['review' => 'nothing'] : [];
        if ($isFirst) {
            $this->rules += $said;
        } elseif ($said !== array_intersect_key($this->rules, $said)) {
            $this->listing->unmatched(
                $part,
                ChoiceBuilding::written($part, $moving === $this->rules['moving'] ? 'submissionMode' : 'navigationMode'),
            );
        }
        $from = count($this->steps);
        $this->rubric($part, $part->attribute('identifier') ?? '');
        foreach ($part->children('assessmentSection', 'assessmentSectionRef') as $section) {
            $this->section($section, $control, false);
        }
        $this->timed($part, $control, $from);
    }

    private function timed(Element $element, Control $control, int $from): void
    {
        $this->places[] = [$element, $from, count($this->steps)];
        if ($control->seconds !== null) {
            $this->timed[] = [
                'title' => $element->attribute('title') ?? ($element->attribute('identifier') ?? ''),
                'from' => $from + 1,
                'to' => count($this->steps),
                'seconds' => $control->seconds,
            ];
        }
    }

    private function section(Element $section, Control $further, bool $isMixed): void
    {
        $section->take();
        if ($section->name === 'assessmentSectionRef') {
            $file = Paths::resolved($section->attribute('href') ?? '', $this->folder);
            try {
                $section = QtiSource::root($file === null ? '' : $this->files->contents($file) ?? '')->take();
            } catch (RefusedXml $e) {
                $this->listing->problem(
                    $section,
                    sprintf('%s: “%s” %s', $section->written, $section->attribute('href'), $e->getMessage()),
                );

                return;
            }
        }
        array_map($section->attribute(...), ['identifier', 'visible', 'keepTogether', 'required', 'fixed', 'title']);
        $control = $further->within($section, $this->listing);
        $from = count($this->steps);
        $this->rubric($section, $section->attribute('identifier') ?? '');
        $children = $section->children('assessmentItemRef', 'assessmentSection', 'assessmentSectionRef');
        $items = array_values(array_filter($children, static fn (Element $c): bool => $c->name === 'assessmentItemRef'));
        $selection = $section->child('selection')?->take();
        $shuffles = $section->child('ordering')?->take()->flag('shuffle') ?? false;
        if ($selection?->flag('withReplacement') === true) {
            $this->listing->unmatched($selection, ChoiceBuilding::written($selection, 'withReplacement'));
        }
        if ($selection !== null && count($items) < count($children)) {
            $this->listing->unmatched($selection->takeWhole());
            $selection = null;
        }
        if (count($items) === count($children) && $items !== [] && ($selection !== null || $shuffles)) {
            $this->drawn($items, $selection?->whole('select', count($items)) ?? count($items), $control, $isMixed);
        } else {
            foreach ($children as $child) {
                $child->name === 'assessmentItemRef'
                    ? $this->step([$child], null, $control, false)
                    : $this->section($child, $control, $shuffles && !$child->flag('keepTogether', true));
            }
        }
        $this->timed($section, $control, $from);
    }

    /** @param list<Element> $items */
    private function drawn(array $items, int $take, Control $control, bool $isMixed): void
    {
        $required = array_values(array_filter($items, static fn (Element $i): bool => $i->flag('required')));
        foreach ($required as $item) {
            $this->step([$item], null, $control, false);
        }
        $rest = array_values(array_filter($items, static fn (Element $i): bool => !$i->flag('required')));
        $take = min($take - count($required), count($rest));
        if ($take > 0) {
            $this->step($rest, $take, $control, $isMixed);
        }
    }

    /**
     * @param list<Element> $references one or more
     * @param int|null $take null: the one
     */
    private function step(array $references, ?int $take, Control $further, bool $isMixed): void
    {
        $paths = $controls = $weights = [];
        foreach ($references as $reference) {
            $reference->take();
            array_map($reference->attribute(...), ['identifier', 'required', 'fixed', 'category']);
            $path = Paths::resolved($reference->attribute('href') ?? '', $this->folder);
            if ($path === null || !$this->files->has($path)) {
                $this->listing->problem(
                    $reference,
                    sprintf('%s: “%s” is not in the package', $reference->written, $reference->attribute('href')),
                );
                continue;
            }
            $paths[] = $path;
            $controls[] = $further->within($reference, $this->listing);
            $weight = $reference->child('weight')?->take();
            $weight?->attribute('identifier');
            $weights[] = Value::number($weight?->attribute('value') ?? '');
        }
        if ($paths !== []) {
            $this->steps[] = [
                'paths' => $paths,
                'take' => $take === null ? null : min($take, count($paths)),
                'mixed' => $isMixed,
                'controls' => $controls,
                'weights' => $weights,
                'page' => null,
                'element' => $references[0],
            ];
            foreach ($references as $reference) {
                $this->places[] = [$reference, count($this->steps) - 1, count($this->steps)];
            }
        }
    }

    /** What candidates read before a part of the test is a page of its own. */
    private function rubric(Element $element, string $name): void
    {
        foreach ($element->children('rubricBlock') as $rubric) {
            if (!in_array('candidate', $rubric->list('view'), true)) {
                $this->listing->unmatched($rubric);
                $rubric->takeWhole();
                continue;
            }
            $rubric->attribute('use');
            $flow = new Flow($this->listing, $this->folder, $this->files, static fn (Element $e): ?string => null);
            $this->pages[] = new Page($name, null, $flow->blocks($rubric));
            $this->steps[] = [
                'paths' => [],
                'take' => null,
                'mixed' => false,
                'controls' => [],
                'weights' => [],
                'page' => $name,
                'element' => $rubric,
            ];
        }
    }

    /** @return array<string, list<array<string, string>>> what is said of each item where it is asked, by its path */
    public function controls(): array
    {
        $controls = [];
        foreach ($this->steps as $step) {
            foreach ($step['paths'] as $i => $path) {
                $controls[$path][] = $step['controls'][$i]->settings($this->isSimultaneous);
            }
        }

        return $controls;
    }

    /**
     * @param array<string, array{string, Ratio}> $items names and worths of the questions, by path
     * @param array<string, true> $agreed paths of items whose controls became the question's own
     */
    public function assessment(array $items, array $agreed): Assessment
    {
        $outcomes = new TestOutcomes($this->root, $this->listing);
        $steps = $numbers = [];
        foreach ($this->steps as $i => $step) {
            $told = TestStep::told($step, $items, $agreed, $outcomes->weights(), $this->isSimultaneous, $this->listing);
            if ($told !== null) {
                $steps[] = $told;
            }
            $numbers[$i] = count($steps);
        }
        $routes = (new TestRoutes($this->places, $items, $this->folder, $numbers, $this->listing))->routes();
        [$closing, $pages] = $outcomes->closing(
            new Flow($this->listing, $this->folder, $this->files, static fn (Element $e): ?string => null),
        );
        array_push($this->pages, ...$pages);
        $pass = $outcomes->pass();
        $this->listing->rest($this->root);
        $timed = array_map(
            static fn (array $s): array => [
                'title' => $s['title'],
                'steps' => [$s['from'] === 1 ? 1 : ($numbers[$s['from'] - 2] ?? 0) + 1, $numbers[$s['to'] - 1] ?? 0],
                'seconds' => $s['seconds'],
            ],
            $this->timed,
        );

        return new Assessment(
            $this->listing->item,
            $this->root->attribute('title') ?? '',
            $steps,
            $pass,
            $this->rules,
            $timed,
            $routes,
            $closing,
        );
    }
}
