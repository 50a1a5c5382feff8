<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Dealing;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Paths\PathTotals;
use Zetema\Core\Blueprint\Paths\Span;
use Zetema\Core\Blueprint\Paths\Ways;
use Zetema\Core\Blueprint\Step\DrawStep;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Marking\Guessing\Guessing;
use Zetema\Core\Marking\Guessing\PassingByGuess;
use Zetema\Core\Marking\Guessing\TooManyToCount;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;

/** The chance of passing a blueprint by guessing alone, at the first attempt and without hints. */
final class GuessedPass
{
    /** Questions of all pools that are guessed, one after another. */
    public const MOST = 500;

    /**
     * @param list<EligibleQuestion> $eligible that a form may hold
     * @param \Closure(string): array{Question, BankSettings|null} $question
     *
     * @return array{least: Ratio, most: Ratio}|string why it is not told
     */
    public static function of(Blueprint $blueprint, array $eligible, \Closure $question): array|string
    {
        $ways = new Ways($blueprint);
        if ($blueprint->pass === null) {
            return 'there is no pass mark';
        }
        $guessing = new Guessing();
        $draws = $asks = [];
        $count = 0;
        foreach ($ways->steps as [$section, $step]) {
            $names = $step instanceof QuestionStep ? [$step->question] : ($step instanceof DrawStep ? array_map(static fn (EligibleQuestion $q): string => $q->id, array_values(array_filter($eligible, $step->draw->pool->fits(...)))) : []);
            $count += count($names);
            if ($count > self::MOST) {
                return sprintf('the pools have more than %d questions', self::MOST);
            }
            $pool = $worths = [];
            foreach ($names as $name) {
                [$one, $bank] = $question($name);
                $settings = $one->effective($bank, $step instanceof QuestionStep || $step instanceof DrawStep ? $step->settings : $section->settings, $section->settings, $blueprint->settings);
                try {
                    $pool[] = $guessing->of($one, $settings);
                } catch (TooManyToCount $e) {
                    return $e->getMessage();
                }
                $worths[] = MarkingPlan::of($one, $settings)->max();
            }
            $take = $step instanceof DrawStep ? $step->draw->take : count($names);
            if ($pool !== []) {
                $draws[] = [$take, $pool];
            }
            $asks[] = self::asked($take, $worths);
        }
        $totals = PathTotals::of($ways, $asks);
        if ($totals->paths !== 1) {
            return 'the way divides';
        }

        return PassingByGuess::chance($draws, $blueprint->pass->mark->inPoints($totals->all->least), $blueprint->pass->mark->inPoints($totals->all->most));
    }

    /** @param list<Points> $worths */
    private static function asked(int $take, array $worths): Span
    {
        usort($worths, static fn (Points $a, Points $b): int => $a->compare($b));
        $least = $most = Points::zero();
        foreach (array_slice($worths, 0, $take) as $i => $worth) {
            $least = $least->plus($worth);
            $most = $most->plus($worths[count($worths) - 1 - $i]);
        }

        return $worths === [] ? Span::nothing() : new Span($take, $take, $least, $most);
    }
}
