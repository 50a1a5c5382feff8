<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Check;

use Zetema\Core\Blueprint\Condition\Comparison;
use Zetema\Core\Blueprint\Condition\Condition;
use Zetema\Core\Blueprint\Condition\PointsCondition;
use Zetema\Core\Blueprint\Condition\TallyCondition;
use Zetema\Core\Blueprint\Paths\Span;
use Zetema\Core\Blueprint\Paths\Ways;
use Zetema\Core\Blueprint\Reading\Refusal;
use Zetema\Core\Blueprint\Step\AskingStep;
use Zetema\Core\Blueprint\Step\CheckpointStep;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Setting;

/**
 * What can be sat and is hardly meant so: routes that nobody takes, a second attempt that loses what the first earned, hints that never
 * open.
 */
final class Advice
{
    /** @var list<Refusal> */
    private array $found = [];

    /**
     * @param list<Span> $before what may have been asked when each step is reached
     * @param \Closure(string): ?Question $question a fixed one, if it is whole
     *
     * @return list<Refusal> by the steps they are about; "loses" can be put right by letting the best attempt stand, "attempts 2" by giving
     *   as many
     */
    public static function on(Ways $ways, array $before, \Closure $question, ?BankSettings $bank = null): array
    {
        $advice = new self();
        foreach ($ways->steps as $place => [$section, $step]) {
            if ($step instanceof CheckpointStep) {
                $advice->checkpoint($step, $before[$place] ?? Span::nothing());
            } elseif ($step instanceof AskingStep) {
                $advice->attempts($step);
            }
            $fixed = $step instanceof QuestionStep ? $question($step->question) : null;
            if ($fixed !== null) {
                $told = $ways->blueprint->rulesIn($section)->tellsBeforeTheEnd();
                $advice->hints(
                    $step,
                    $fixed,
                    $fixed->effective($bank, $step->settings, $section->settings, $ways->blueprint->settings),
                    $told,
                );
            }
        }

        return $advice->found;
    }

    private function checkpoint(CheckpointStep $step, Span $before): void
    {
        $covered = [];
        foreach ($step->routes as $i => $route) {
            $is = self::comparison($route->when);
            if ($is === null) {
                continue;
            }
            if (
                $route->when instanceof PointsCondition &&
                $route->when->scope->section === null &&
                $route->when->scope->questions === null &&
                self::isAbove($is, $route->when->inPercent ? Ratio::of(100) : $before->most->exact())
            ) {
                $this->found[] = new Refusal(
                    $step->id,
                    'never',
                    sprintf(
                        'nobody takes route %d: until here there are at most %s %s',
                        $i + 1,
                        $route->when->inPercent ? '100' : $before->most,
                        $route->when->inPercent ? '%' : 'points',
                    ),
                );
            }
            $of = self::about($route->when);
            if (self::lies($is, $covered[$of] ?? [])) {
                $this->found[] = new Refusal(
                    $step->id,
                    'dead',
                    sprintf('nobody takes route %d: what it asks for has gone another way before', $i + 1),
                );
            }
            $covered[$of][] = $is;
        }
        foreach ($covered as $all) {
            if (self::lies(null, $all)) {
                $this->found[] = new Refusal($step->id, 'otherwise', 'nobody goes on otherwise: one of its conditions always holds');
            }
        }
    }

    private static function comparison(Condition $when): ?Comparison
    {
        return $when instanceof PointsCondition || $when instanceof TallyCondition ? $when->is : null;
    }

    /** What a condition measures, so that two of them can be held against each other. */
    private static function about(Condition $when): string
    {
        return $when instanceof PointsCondition
            ? serialize([$when->inPercent, $when->scope])
            : ($when instanceof TallyCondition
                ? 'tally ' . $when->tally
                : '');
    }

    private static function isAbove(Comparison $is, Ratio $most): bool
    {
        $compared = $is->value->exact()->compareTo($most);

        return match ($is->sign) {
            '>=', '=', 'between' => $compared > 0,
            '>' => $compared >= 0,
            default => false,
        };
    }

    /**
     * Whether all values of a comparison, or all there are, have one of the others: tried at each end, beside it and between.
     *
     * @param list<Comparison> $others
     */
    private static function lies(?Comparison $is, array $others): bool
    {
        if ($others === []) {
            return false;
        }
        $ends = [];
        foreach ([...$is === null ? [] : [$is], ...$others] as $one) {
            array_push($ends, $one->value->exact(), ...$one->to === null ? [] : [$one->to->exact()]);
        }
        usort($ends, static fn (Ratio $a, Ratio $b): int => $a->compareTo($b));
        $tried = [$ends[0]->minus(Ratio::one()), $ends[count($ends) - 1]->plus(Ratio::one()), ...$ends];
        foreach (array_slice($ends, 1) as $i => $end) {
            $tried[] = $end->plus($ends[$i])->dividedBy(2);
        }
        foreach ($tried as $value) {
            $isOther = array_filter($others, static fn (Comparison $other): bool => $other->holds($value)) !== [];
            if (($is === null || $is->holds($value)) && !$isOther) {
                return false;
            }
        }

        return true;
    }

    private function attempts(AskingStep $step): void
    {
        $attempts = $step->settings->get(Setting::Attempts) ?? '1';
        if ($step->settings->get(Setting::Time) !== null && $attempts !== '1' && $step->settings->get(Setting::Stands) !== 'best') {
            $this->found[] = new Refusal(
                $step->id,
                'loses',
                'time runs on while feedback is read: a further attempt that runs out loses what an earlier one earned',
            );
        }
    }

    /** @param bool $told whether feedback is given before the end; else there is one attempt, whatever is set */
    private function hints(QuestionStep $step, Question $question, EffectiveSettings $settings, bool $told): void
    {
        $attempts = $told ? $settings->attempts() : 1;
        $seconds = $settings->seconds();
        foreach ($question->hints as $i => $hint) {
            if ($attempts !== null && $hint->fromAttempt > $attempts) {
                $this->found[] = new Refusal(
                    $step->id,
                    $told ? "attempts $hint->fromAttempt" : 'hint',
                    sprintf(
                        'hint %d never opens: it comes with attempt %d, and there %s',
                        $i + 1,
                        $hint->fromAttempt,
                        $attempts === 1 ? 'is one' : "are $attempts",
                    ),
                );
            } elseif ($seconds !== null && $hint->afterSeconds >= $seconds) {
                $this->found[] = new Refusal(
                    $step->id,
                    'hint',
                    sprintf('hint %d never opens: it comes after %d s, and the time is %d s', $i + 1, $hint->afterSeconds, $seconds),
                );
            }
        }
    }
}
