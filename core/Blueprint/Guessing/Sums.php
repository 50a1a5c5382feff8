<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Guessing;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Condition\Condition;
use Zetema\Core\Blueprint\Condition\Joined;
use Zetema\Core\Blueprint\Condition\Not;
use Zetema\Core\Blueprint\Condition\PointsCondition;
use Zetema\Core\Blueprint\Condition\Scope;
use Zetema\Core\Blueprint\Outcome\Minimum;
use Zetema\Core\Blueprint\Step\CheckpointStep;

/** The sums of points that passing depends on: the total, of each objective that has a minimum, and of what routes look at. */
final readonly class Sums
{
    public const TOTAL = 0;

    /** @var list<Minimum> */
    public array $minimums;
    /** @var list<Scope> */
    public array $scopes;
    /** Whether routes ask for something else than points. */
    public bool $isMore;

    public function __construct(Blueprint $blueprint)
    {
        $this->minimums = $blueprint->pass->minimums ?? [];
        $scopes = [];
        $isMore = false;
        foreach ($blueprint->steps() as [, $step]) {
            foreach ($step instanceof CheckpointStep ? $step->routes : [] as $route) {
                $isMore = !self::gather($route->when, $scopes) || $isMore;
            }
        }
        $this->scopes = array_values($scopes);
        $this->isMore = $isMore;
    }

    public function count(): int
    {
        return 1 + count($this->minimums) + count($this->scopes);
    }

    /** @return list<int> the sums that a question counts in */
    public function of(string $section, string $question, string $objective): array
    {
        $in = [self::TOTAL];
        foreach ($this->minimums as $i => $minimum) {
            if ($minimum->covers($objective)) {
                $in[] = 1 + $i;
            }
        }
        foreach ($this->scopes as $i => $scope) {
            if ($scope->has($section, $question)) {
                $in[] = 1 + count($this->minimums) + $i;
            }
        }

        return $in;
    }

    public function ofScope(Scope $scope): int
    {
        return 1 + count($this->minimums) + (int) array_search(self::key($scope), array_map(self::key(...), $this->scopes), true);
    }

    /** @param array<string, Scope> $scopes */
    private static function gather(Condition $condition, array &$scopes): bool
    {
        if ($condition instanceof PointsCondition) {
            $scopes[self::key($condition->scope)] = $condition->scope;

            return true;
        }
        $parts = $condition instanceof Joined ? $condition->conditions : ($condition instanceof Not ? [$condition->condition] : null);
        $areAll = $parts !== null;
        foreach ($parts ?? [] as $part) {
            $areAll = self::gather($part, $scopes) && $areAll;
        }

        return $areAll;
    }

    private static function key(Scope $scope): string
    {
        return json_encode([$scope->section, $scope->questions], JSON_THROW_ON_ERROR);
    }
}
