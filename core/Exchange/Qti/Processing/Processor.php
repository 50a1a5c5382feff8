<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Processing;

use Zetema\Core\Exchange\Qti\Variables\AreaMapping;
use Zetema\Core\Exchange\Qti\Variables\ResponseDeclaration;
use Zetema\Core\Exchange\Qti\Variables\Value;
use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Numbers\Ratio;

/** The response processing of an item, run for one response after another. */
final class Processor
{
    /** Steps of all runs of one item; rules that need more would keep everybody waiting. */
    private const MOST_STEPS = 500_000;

    private int $steps = 0;
    /** @var array<string, Value|null> outcomes as a run begins */
    private array $initial;
    /** @var array<string, Value|null> */
    private array $outcomes = [];
    /** @var array<string, Value|null> */
    private array $responses = [];
    /** @var array<string, AreaMapping|null> */
    private array $areas = [];
    private readonly string $template;

    /**
     * @param array<string, ResponseDeclaration> $declarations
     * @param list<Element> $outcomes
     * @param Element|null $rules null: as the declarations say
     * @param array{int, int} $size of the item's picture
     */
    public function __construct(
        private readonly array $declarations,
        array $outcomes,
        private readonly ?Element $rules,
        private readonly array $size = [0, 0],
    ) {
        $this->initial = ['SCORE' => Value::ofNumber(Ratio::zero())];
        foreach ($outcomes as $outcome) {
            $type = $outcome->attribute('baseType') ?? 'identifier';
            $written = array_map(static fn (Element $v): string => $v->text(), $outcome->child('defaultValue')?->children('value') ?? []);
            $isNumber = in_array($type, ['integer', 'float'], true) && ($outcome->attribute('cardinality') ?? 'single') === 'single';
            $this->initial[$outcome->attribute('identifier') ?? ''] =
                Value::of($type, $outcome->attribute('cardinality') ?? 'single', $written) ??
                ($isNumber ? Value::ofNumber(Ratio::zero()) : null);
        }
        $this->template = basename($rules?->attribute('template') ?? ($rules?->attribute('templateLocation') ?? ''), '.xml');
    }

    /**
     * @param array<string, Value|null> $responses
     *
     * @return array<string, Value|null> outcomes
     *
     * @throws CannotRun
     */
    public function run(array $responses, int $attempt = 1): array
    {
        $this->responses = $responses;
        $this->outcomes = $this->initial;
        $this->responses['numAttempts'] = Value::ofNumber(Ratio::of($attempt));
        $rules = $this->rules?->children() ?? [];
        if ($rules !== []) {
            $this->rules($rules);
        } elseif ($this->rules === null || $this->template !== '') {
            $this->template();
        }

        return $this->outcomes;
    }

    /** @throws CannotRun */
    private function template(): void
    {
        $declaration = $this->declarations['RESPONSE'] ?? (array_values($this->declarations)[0] ?? null);
        $response = $declaration === null ? null : $this->responses[$declaration->identifier] ?? null;
        $isRight = $declaration?->correct !== null && $response !== null && $response->equals($declaration->correct);
        $worth = static fn (bool $isRight, ?Value $whole): Value => Value::ofNumber(
            $isRight ? $whole?->asNumber() ?? Ratio::one() : Ratio::zero(),
        );
        $mapped = fn (): Value => Value::ofNumber($declaration?->mapping?->worth($response) ?? Ratio::zero());
        $this->outcomes['SCORE'] = match ($this->template) {
            'match_correct' => $worth($isRight, null),
            'map_response' => $mapped(),
            'map_response_point' => Value::ofNumber($this->areasOf($declaration)?->worth($response) ?? Ratio::zero()),
            'CC2_match' => $worth($isRight, $this->initial['MAXSCORE'] ?? null),
            'CC2_map_response' => $mapped(),
            '' => $this->declared(),
            default => throw new CannotRun(
                $this->rules ?? throw new \LogicException('a template is named by an element'),
                sprintf('the template “%s” is not known', $this->template),
            ),
        };
        if (str_starts_with($this->template, 'CC2_')) {
            $whole = $this->initial['MAXSCORE'] ?? null;
            $isWhole = $isRight || ($this->template === 'CC2_map_response' && $whole !== null && $this->outcomes['SCORE']->equals($whole));
            $this->outcomes['FEEDBACKBASIC'] = Value::of('identifier', 'single', [
                $response === null ? 'empty' : ($isWhole ? 'correct' : 'incorrect'),
            ]);
        }
    }

    /** Without response processing a mapping says what a response is worth, else what is correct does. */
    private function declared(): Value
    {
        $sum = Ratio::zero();
        $matched = $all = 0;
        foreach ($this->declarations as $declaration) {
            $response = $this->responses[$declaration->identifier] ?? null;
            if ($declaration->mapping !== null) {
                $sum = $sum->plus($declaration->mapping->worth($response));
            } elseif ($declaration->areaMapping !== null) {
                $sum = $sum->plus($this->areasOf($declaration)?->worth($response) ?? Ratio::zero());
            } elseif ($declaration->correct !== null) {
                ++$all;
                $matched += $response !== null && $response->equals($declaration->correct) ? 1 : 0;
            }
        }

        return Value::ofNumber($all > 0 && $all === $matched ? $sum->plus(Ratio::one()) : $sum);
    }

    /**
     * @param list<Element> $rules
     *
     * @return bool whether it goes on
     *
     * @throws CannotRun
     */
    private function rules(array $rules): bool
    {
        foreach ($rules as $rule) {
            if ($rule->name === 'exitResponse') {
                return false;
            }
            $goesOn = match ($rule->name) {
                'responseCondition' => $this->condition($rule),
                'responseProcessingFragment' => $this->rules($rule->children()),
                'setOutcomeValue' => $this->set($rule),
                default => throw new CannotRun($rule, sprintf('“%s” is not run', $rule->written)),
            };
            if (!$goesOn) {
                return false;
            }
        }

        return true;
    }

    /** @throws CannotRun */
    private function condition(Element $condition): bool
    {
        foreach ($condition->children() as $branch) {
            $parts = $branch->children();
            if ($branch->name === 'responseElse') {
                return $this->rules($parts);
            }
            if (isset($parts[0]) && $this->value($parts[0])?->isTrue() === true) {
                return $this->rules(array_slice($parts, 1));
            }
        }

        return true;
    }

    /** @throws CannotRun */
    private function set(Element $rule): bool
    {
        $expression = $rule->child();
        $this->outcomes[$rule->attribute('identifier') ?? ''] = $expression === null ? null : $this->value($expression);

        return true;
    }

    /** @throws CannotRun */
    private function value(Element $e): ?Value
    {
        if (++$this->steps > self::MOST_STEPS) {
            throw new CannotRun($e, 'the rules are too long to be run');
        }

        return match ($e->name) {
            'baseValue' => Value::of($e->attribute('baseType') ?? 'identifier', 'single', [$e->text()]),
            'variable' => $this->variable($e),
            'correct' => $this->declarationOf($e)->correct ?? null,
            'default' => $this->initial[$e->attribute('identifier') ?? ''] ?? null,
            'mapResponse' => Value::ofNumber($this->declarationOf($e)?->mapping?->worth($this->response($e)) ?? Ratio::zero()),
            'mapResponsePoint' => Value::ofNumber($this->areasOf($this->declarationOf($e))?->worth($this->response($e)) ?? Ratio::zero()),
            'null' => null,
            default => $this->made($e, array_map($this->value(...), $e->children())),
        };
    }

    private function variable(Element $e): ?Value
    {
        $identifier = $e->attribute('identifier') ?? '';

        return array_key_exists($identifier, $this->responses) ? $this->responses[$identifier] : $this->outcomes[$identifier] ?? null;
    }

    private function declarationOf(Element $e): ?ResponseDeclaration
    {
        return $this->declarations[$e->attribute('identifier') ?? ''] ?? null;
    }

    /** Made once: it is asked in every run. */
    private function areasOf(?ResponseDeclaration $declaration): ?AreaMapping
    {
        return $declaration === null ? null : ($this->areas[$declaration->identifier] ??= $declaration->areas($this->size));
    }

    private function response(Element $e): ?Value
    {
        return $this->responses[$e->attribute('identifier') ?? ''] ?? null;
    }

    /**
     * @param list<Value|null> $values
     *
     * @throws CannotRun
     */
    private function made(Element $e, array $values): ?Value
    {
        if (in_array($e->name, Numbers::NAMES, true)) {
            return Numbers::of($e, $values);
        }
        $known = array_values(array_filter($values, static fn (?Value $v): bool => $v !== null));
        $index = (int) ($e->attribute('n') ?? 0);

        return match ($e->name) {
            'containerSize' => Value::ofNumber(Ratio::of(count($values[0]->items ?? []))),
            'index' => ($values[0] ?? null)?->at($index),
            'multiple', 'ordered' => Value::container($e->name, $known),
            default => $this->truth($e, $values),
        };
    }

    /**
     * @param list<Value|null> $values
     *
     * @throws CannotRun
     */
    private function truth(Element $e, array $values): ?Value
    {
        $true = count(array_filter($values, static fn (?Value $v): bool => $v?->isTrue() === true));
        $unknown = count(array_filter($values, static fn (?Value $v): bool => $v === null));
        $all = count($values);
        $least = (int) ($e->attribute('min') ?? 0);
        $most = (int) ($e->attribute('max') ?? 0);
        $holds = match ($e->name) {
            'isNull' => $unknown > 0 || $all === 0,
            'not' => $unknown > 0 ? null : $true === 0,
            'and' => $true === $all ? true : ($true + $unknown === $all ? null : false),
            'or' => $true > 0 ? true : ($unknown > 0 ? null : false),
            'anyN' => $true > $most || $true + $unknown < $least ? false : ($true >= $least && $true + $unknown <= $most ? true : null),
            default => in_array($e->name, Comparisons::NAMES, true)
                ? Comparisons::of($e, $values)
                : throw new CannotRun($e, sprintf('“%s” is not run', $e->written)),
        };

        return $holds === null ? null : Value::ofTruth($holds);
    }
}
