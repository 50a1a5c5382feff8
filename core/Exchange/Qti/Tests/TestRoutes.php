<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Tests;

use Zetema\Core\Exchange\Qti\Listing;
use Zetema\Core\Exchange\Qti\Texts\Paths;
use Zetema\Core\Exchange\Qti\Variables\Value;
use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Numbers\Ratio;

/** Where a test leads elsewhere than to what follows: by what an item, or all so far, was worth. */
final class TestRoutes
{
    private const SIGNS = ['lt' => '<', 'lte' => '<=', 'gt' => '>', 'gte' => '>=', 'equal' => '='];
    private const EXITS = ['EXIT_TEST', 'EXIT_TESTPART', 'EXIT_SECTION'];

    /**
     * @param list<array{Element, int, int}> $places with their first and last steps, from 0, the last not included
     * @param array<string, array{string, Ratio}> $items names and worths of the questions, by path
     * @param array<int, int> $numbers of the steps as they are told, after each
     */
    public function __construct(
        private readonly array $places,
        private readonly array $items,
        private readonly string $folder,
        private readonly array $numbers,
        private readonly Listing $listing,
    ) {
    }

    /**
     * @return list<array{at: int, isBefore: bool, of: string, is: string, than: string, goTo: string|null, to: int}> as Assessment has them
     */
    public function routes(): array
    {
        $routes = [];
        foreach ($this->places as [$element, $from, $to]) {
            foreach ($element->children('branchRule', 'preCondition') as $rule) {
                $rule->take();
                $compared = $this->compared($rule);
                $isBefore = $rule->name === 'preCondition';
                $goTo = $isBefore ? null : $this->target($rule->attribute('target') ?? '');
                if ($compared === null || (!$isBefore && $goTo === null)) {
                    $this->listing->unmatched($rule);
                    $rule->takeWhole();
                    continue;
                }
                $rule->takeWhole();
                $reached = $isBefore ? $to : $this->reached($rule->attribute('target') ?? '', $element, $from, $to);
                $routes[] = [
                    'at' => $isBefore ? $this->first($from) : $this->numbers[$to - 1] ?? 0,
                    'isBefore' => $isBefore,
                    ...$compared,
                    'goTo' => $goTo,
                    'to' => $this->first($reached),
                ];
            }
        }

        return $routes;
    }

    /** The first step that is told from this one on, from 1; one more than there are: the end. */
    private function first(int $from): int
    {
        return $from === 0 ? 1 : ($this->numbers[$from - 1] ?? 0) + 1;
    }

    /** The step, from 0, that a target leads to from an element that stands from one step to another. */
    private function reached(string $target, Element $from, int $first, int $last): int
    {
        $left = ['EXIT_SECTION' => 'assessmentSection', 'EXIT_TESTPART' => 'testPart'][$target] ?? null;
        foreach ($this->places as [$element, $begins, $ends]) {
            // What lies within another stands before it.
            if ($left !== null && $element->name === $left && $element !== $from && $begins <= $first && $ends >= $last) {
                return $ends;
            }
            if ($left === null && $element->attribute('identifier') === $target) {
                return $begins;
            }
        }

        return count($this->numbers);
    }

    /** @return array{of: string, is: string, than: string}|null */
    private function compared(Element $rule): ?array
    {
        $comparison = $rule->child();
        $parts = $comparison?->children() ?? [];
        $sign = self::SIGNS[$comparison->name ?? ''] ?? null;
        $number = ($parts[1]->name ?? '') === 'baseValue' ? Value::number(trim($parts[1]->text())) : null;
        if ($sign === null || $number === null) {
            return null;
        }
        $of = null;
        if ($parts[0]->name === 'variable') {
            [$identifier, $outcome] = [...explode('.', $parts[0]->attribute('identifier') ?? ''), ''];
            [$of, $weight] = $outcome === 'SCORE' ? $this->named($identifier) : [null, null];
            // A weight counts in what our points say, unless the rule weighs by itself.
            $number = $weight === null || $parts[0]->attribute('weightIdentifier') !== null ? $number : $number->multipliedBy($weight);
        } elseif ($parts[0]->below('testVariables') !== [] || $parts[0]->name === 'testVariables') {
            $of = 'all';
        }

        return $of === null ? null : ['of' => $of, 'is' => $sign, 'than' => (string) $number->decimal()];
    }

    /** @return array{string|null, Ratio|null} name of the question that a reference asks, and its weight */
    private function named(string $identifier): array
    {
        foreach ($this->places as [$element]) {
            if ($element->name === 'assessmentItemRef' && $element->attribute('identifier') === $identifier) {
                $path = Paths::resolved($element->attribute('href') ?? '', $this->folder);

                return [$this->items[$path ?? ''][0] ?? null, Value::number($element->child('weight')?->attribute('value') ?? '')];
            }
        }

        return [null, null];
    }

    private function target(string $target): ?string
    {
        if (in_array($target, self::EXITS, true)) {
            return $target;
        }
        foreach ($this->places as [$element]) {
            if ($element->attribute('identifier') === $target) {
                return $element->name === 'assessmentItemRef' ? $this->named($target)[0] : $target;
            }
        }

        return null;
    }
}
