<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Reading;

use Zetema\Core\Blueprint\Condition\ChosenCondition;
use Zetema\Core\Blueprint\Condition\Comparison;
use Zetema\Core\Blueprint\Condition\Condition;
use Zetema\Core\Blueprint\Condition\Joined;
use Zetema\Core\Blueprint\Condition\Not;
use Zetema\Core\Blueprint\Condition\OutcomeCondition;
use Zetema\Core\Blueprint\Condition\PointsCondition;
use Zetema\Core\Blueprint\Condition\Scope;
use Zetema\Core\Blueprint\Condition\TallyCondition;
use Zetema\Core\Question\Feedback\Outcome;

/** Reads a condition. */
final class ConditionReader
{
    private const SORTS = ['points', 'percent', 'tally', 'outcome', 'chosen', 'all', 'any', 'not'];

    public function condition(Shape $shape): Condition
    {
        $sorts = array_values(array_filter(self::SORTS, $shape->has(...)));
        if (count($sorts) !== 1) {
            $shape->wrong('', 'a condition has one of ' . implode(', ', self::SORTS));

            return new Joined(true, []);
        }

        return match ($sorts[0]) {
            'points', 'percent' => new PointsCondition(
                $sorts[0] === 'percent',
                $this->scope($shape->only($sorts[0], 'is', 'value'), $sorts[0]),
                $this->comparison($shape),
            ),
            'tally' => new TallyCondition($shape->only('tally', 'is', 'value')->text('tally'), $this->comparison($shape)),
            'outcome' => new OutcomeCondition($shape->only('outcome', 'is')->text('outcome'), $this->outcomes($shape)),
            'chosen' => new ChosenCondition($shape->only('chosen', 'choice')->text('chosen'), $shape->integer('choice')),
            'not' => new Not($this->condition($shape->only('not')->object('not'))),
            default => new Joined($sorts[0] === 'all', array_map($this->condition(...), $shape->only($sorts[0])->objects($sorts[0]))),
        };
    }

    private function scope(Shape $shape, string $field): Scope
    {
        if ($shape->raw($field) === 'all') {
            return Scope::all();
        }
        $scope = $shape->object($field)->only('section', 'questions');
        if ($scope->has('section') === $scope->has('questions')) {
            $shape->wrong($field, 'must be “all”, a section or questions');

            return Scope::all();
        }

        return $scope->has('section') ? Scope::section($scope->text('section')) : Scope::questions($scope->texts('questions'));
    }

    private function comparison(Shape $shape): Comparison
    {
        $sign = $shape->raw('is');
        if (!is_string($sign) || !in_array($sign, Comparison::SIGNS, true)) {
            $shape->wrong('is', 'must be one of ' . implode(' ', Comparison::SIGNS));
            $sign = '>=';
        }
        if ($sign !== 'between') {
            return new Comparison($sign, $shape->decimal('value'));
        }
        $ends = $shape->texts('value', needed: true);
        if (count($ends) !== 2) {
            $shape->wrong('value', 'must be the two ends, as texts');
        }

        return new Comparison($sign, $shape->decimalOf('value', $ends[0] ?? ''), $shape->decimalOf('value', $ends[1] ?? ''));
    }

    /** @return list<Outcome> */
    private function outcomes(Shape $shape): array
    {
        $outcomes = [];
        foreach ($shape->texts('is', needed: true) as $word) {
            $outcome = Outcome::tryFrom($word);
            if ($outcome === null) {
                $shape->wrong('is', sprintf('“%s” is no outcome', $word));
            } else {
                $outcomes[] = $outcome;
            }
        }

        return $outcomes;
    }
}
