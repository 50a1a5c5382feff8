<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Reaching;

use Zetema\Core\Blueprint\Condition\Comparison;
use Zetema\Core\Blueprint\Condition\Condition;
use Zetema\Core\Blueprint\Condition\Joined;
use Zetema\Core\Blueprint\Condition\Not;
use Zetema\Core\Blueprint\Condition\PointsCondition;
use Zetema\Core\Blueprint\Condition\TallyCondition;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;

/** The values that conditions name, by what they measure: between two of them that follow one another, nothing changes. */
final class Bounds
{
    /** @var list<Ratio> in points */
    public array $points = [];
    /** @var array<string, list<Ratio>> by tally */
    public array $tallies = [];

    /**
     * @param list<Condition> $conditions
     * @param Points $max of how many points percents are
     */
    public function __construct(array $conditions, private readonly Points $max)
    {
        array_map($this->add(...), $conditions);
    }

    private function add(Condition $condition): void
    {
        match (true) {
            $condition instanceof PointsCondition => $condition->scope->questions === null
                ? array_push(
                    $this->points,
                    ...array_map(
                        fn (Ratio $value): Ratio => $condition->inPercent
                            ? $value->multipliedBy($this->max->exact())->dividedBy(100)
                            : $value,
                        self::values($condition->is),
                    ),
                )
                : null,
            $condition instanceof TallyCondition => ($this->tallies[$condition->tally] = [
                ...$this->tallies[$condition->tally] ?? [],
                ...self::values($condition->is),
            ]),
            $condition instanceof Joined => array_map($this->add(...), $condition->conditions),
            $condition instanceof Not => $this->add($condition->condition),
            default => null,
        };
    }

    /** @return list<Ratio> */
    private static function values(Comparison $is): array
    {
        return [$is->value->exact(), ...$is->to === null ? [] : [$is->to->exact()]];
    }
}
