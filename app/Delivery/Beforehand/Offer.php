<?php

declare(strict_types=1);

namespace Zetema\App\Delivery\Beforehand;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Paths\PathTotals;
use Zetema\Core\Blueprint\Paths\Span;
use Zetema\Core\Blueprint\Paths\Ways;
use Zetema\Core\Blueprint\Step\AskingStep;
use Zetema\Core\Blueprint\Step\DrawStep;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;
use Zetema\Core\Sitting\Candidacy;
use Zetema\Core\Time\Instant;

/** What a candidate is told of an assessment before it is begun. */
final class Offer
{
    /**
     * @param list<Instant> $ended when the candidate's sittings of it ended
     * @param bool $isRunning whether another one runs
     *
     * @return array<string, mixed>
     */
    public static function facts(Blueprint $plan, Candidacy $candidacy, array $ended, Instant $now, bool $isRunning = false): array
    {
        $asks = self::asks($plan);
        $seconds = $plan->rules->seconds();
        $next = $candidacy->next($plan->rules, $ended);

        return [
            'title' => $plan->title,
            'questions' => $asks->many,
            'fewest' => $asks->fewest,
            'seconds' => $seconds === null ? null : $candidacy->terms()->time($seconds)->inSeconds(),
            'timed' => self::isTimed($plan),
            'pass' => $plan->pass?->mark->toData(),
            'minimums' => count($plan->pass->minimums ?? []),
            'sittingsLeft' => $candidacy->sittingsLeft($plan->rules, count($ended) + ($isRunning ? 1 : 0)),
            'opens' => $next->isAfter($now) ? $next->inWords() : null,
            'closes' => $candidacy->closes?->inWords(),
        ];
    }

    /** How many questions a path through it asks, from the shortest to the longest. */
    private static function asks(Blueprint $plan): Span
    {
        $ways = new Ways($plan);
        $asks = array_map(static function (array $at): Span {
            $many = $at[1] instanceof DrawStep ? $at[1]->draw->take : ($at[1] instanceof AskingStep ? 1 : 0);

            return new Span($many, $many, Points::zero(), Points::zero());
        }, $ways->steps);

        return PathTotals::of($ways, $asks)->all;
    }

    /** Whether sections or questions have times of their own, as far as the plan says so. */
    private static function isTimed(Blueprint $plan): bool
    {
        $has = static fn (Settings $settings): bool => !in_array($settings->get(Setting::Time), [null, 'none'], true);
        foreach ($plan->steps() as [$section, $step]) {
            if ($section->seconds !== null || $has($section->settings) || ($step instanceof AskingStep && $has($step->settings))) {
                return true;
            }
        }

        return $has($plan->settings);
    }
}
