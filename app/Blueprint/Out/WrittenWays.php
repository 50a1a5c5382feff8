<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Out;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Condition\Condition;
use Zetema\Core\Blueprint\Condition\Joined;
use Zetema\Core\Blueprint\Condition\PointsCondition;
use Zetema\Core\Blueprint\Step\CheckpointStep;
use Zetema\Core\Exchange\Qti\Writing\WrittenRoute;

/** What of a blueprint's checkpoints the open standard can say: points of one question, or of all so far, compared with a number. */
final class WrittenWays
{
    private const SIGNS = ['<' => 'lt', '<=' => 'lte', '>' => 'gt', '>=' => 'gte', '=' => 'equal'];

    /** @return list<string> ids of steps and sections that are led to, so that something begins there */
    public static function targets(Blueprint $blueprint): array
    {
        $targets = [];
        foreach ($blueprint->steps() as [, $step]) {
            array_push($targets, ...$step instanceof CheckpointStep ? $step->ways() : []);
        }

        return array_values(array_diff(array_unique($targets), [Blueprint::NEXT, Blueprint::END]));
    }

    /**
     * Its ways on, after what stands before it.
     *
     * @param \Closure(string): ?string $identifier of what a step or section begins
     *
     * @return list<WrittenRoute>|null null if the standard cannot say them
     */
    public static function after(CheckpointStep $step, \Closure $identifier): ?array
    {
        $routes = [];
        foreach ($step->routes as $route) {
            $to = $route->to === Blueprint::END ? WrittenRoute::END : $identifier($route->to);
            $compared = self::compared($route->when);
            if ($step->isAnnounced || $step->otherwise !== Blueprint::NEXT || $to === null || $compared === null) {
                return null;
            }
            [$of, $is, $than] = $compared;
            $routes[] = new WrittenRoute($of, $is, $than, $to);
        }

        return $routes;
    }

    /**
     * What must hold, or what comes next is passed over.
     *
     * @return list<WrittenRoute>|null null if it is anything else
     */
    public static function before(CheckpointStep $step): ?array
    {
        $when = count($step->routes) === 1 && $step->routes[0]->to === Blueprint::NEXT ? $step->routes[0]->when : null;
        $conditions = $when instanceof Joined && $when->all ? $when->conditions : array_filter([$when]);
        $routes = [];
        foreach ($conditions as $condition) {
            $compared = self::compared($condition);
            if ($compared === null) {
                return null;
            }
            [$of, $is, $than] = $compared;
            $routes[] = new WrittenRoute($of, $is, $than, null);
        }

        return $routes === [] || $step->isAnnounced ? null : $routes;
    }

    /** @return array{string|null, string, string}|null question, comparison and points */
    private static function compared(Condition $when): ?array
    {
        $is = $when instanceof PointsCondition && !$when->inPercent ? self::SIGNS[$when->is->sign] ?? null : null;
        if (
            !($when instanceof PointsCondition) ||
            $is === null ||
            $when->scope->section !== null ||
            count($when->scope->questions ?? ['all']) !== 1
        ) {
            return null;
        }

        return [$when->scope->questions[0] ?? null, $is, (string) $when->is->value];
    }
}
