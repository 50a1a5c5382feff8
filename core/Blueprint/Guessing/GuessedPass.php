<?php

declare(strict_types=1);

namespace Zetema\Core\Blueprint\Guessing;

use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Paths\Ways;
use Zetema\Core\Blueprint\Section;
use Zetema\Core\Blueprint\Step\AskingStep;
use Zetema\Core\Blueprint\Step\CheckpointStep;
use Zetema\Core\Blueprint\Step\DrawStep;
use Zetema\Core\Blueprint\Step\QuestionStep;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Marking\Guessing\Guessing;
use Zetema\Core\Marking\Guessing\TooManyToCount;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;

/**
 * The chance of passing a blueprint by guessing alone, at the first attempt and without hints: with its routes, the total's floor and
 * the minimums of objectives. Exact where it does not matter which questions a draw takes; else between the least and the most over its
 * forms, which are bounds: for each points a question is at least as likely to earn them as the poorest of its pool, at most as the best.
 *
 * @phpstan-type Distribution list<array{points: Points, chance: Ratio}>
 * @phpstan-type Guessed array{rows: Distribution, worth: Points, sums: list<int>}
 */
final class GuessedPass
{
    /** Questions of all pools that are guessed, one after another. */
    public const MOST = 500;
    /** Ways to share draws out among objectives with minimums. */
    private const SHARES = 60;

    /**
     * @param list<EligibleQuestion> $eligible that a form may hold
     * @param \Closure(string): array{Question, BankSettings|null} $question
     *
     * @return array{least: Ratio, most: Ratio}|string why it is not told
     */
    public static function of(Blueprint $blueprint, array $eligible, \Closure $question): array|string
    {
        $ways = new Ways($blueprint);
        $sums = new Sums($blueprint);
        if ($blueprint->pass === null) {
            return 'there is no pass mark';
        }
        try {
            $shares = self::shares($ways, self::guessed($ways, $sums, $eligible, $question));
            $isAlike =
                count($shares) === 1 &&
                array_filter(array_merge(...$shares[0]), static fn (GuessedStep $step): bool => !$step->isAlike()) === [];
            if (!$isAlike && array_filter($ways->steps, static fn (array $at): bool => $at[1] instanceof CheckpointStep) !== []) {
                return 'the way divides, and a draw takes questions that are not guessed alike';
            }
            if ($sums->isMore || self::leadsByChoice($ways)) {
                return 'the way divides by what is answered, not by points alone';
            }
            $walk = new GuessedWalk($ways, $sums);
            $chances = [];
            foreach ($shares as $asks) {
                $chances[] = $walk->chance($asks, best: false);
                $chances[] = $isAlike ? $chances[0] : $walk->chance($asks, best: true);
            }
        } catch (TooManyToCount $e) {
            return $e->getMessage();
        }
        usort($chances, static fn (Ratio $a, Ratio $b): int => $a->compareTo($b));

        return ['least' => $chances[0], 'most' => $chances[count($chances) - 1]];
    }

    /**
     * @param list<EligibleQuestion> $eligible
     * @param \Closure(string): array{Question, BankSettings|null} $question
     *
     * @return array<int, array{int, list<Guessed>}> how many are taken, and of which, by place
     *
     * @throws TooManyToCount
     */
    private static function guessed(Ways $ways, Sums $sums, array $eligible, \Closure $question): array
    {
        $guessing = new Guessing();
        $guessed = [];
        $count = 0;
        foreach ($ways->steps as $place => [$section, $step]) {
            if (!$step instanceof AskingStep) {
                continue;
            }
            $names =
                $step instanceof QuestionStep
                    ? [$step->question]
                    : ($step instanceof DrawStep
                        ? array_map(
                            static fn (EligibleQuestion $q): string => $q->id,
                            array_values(array_filter($eligible, $step->draw->pool->fits(...))),
                        )
                        : []);
            $count += count($names);
            if ($count > self::MOST) {
                throw new TooManyToCount(sprintf('the pools have more than %d questions', self::MOST));
            }
            $guessed[$place] = [
                $step instanceof DrawStep ? $step->draw->take : count($names),
                array_map(
                    static fn (string $name): array => self::one($guessing, $ways->blueprint, $sums, $section, $step, $name, $question),
                    $names,
                ),
            ];
        }

        return $guessed;
    }

    /**
     * @param \Closure(string): array{Question, BankSettings|null} $question
     *
     * @return Guessed
     */
    private static function one(
        Guessing $guessing,
        Blueprint $blueprint,
        Sums $sums,
        Section $section,
        AskingStep $step,
        string $name,
        \Closure $question,
    ): array {
        [$one, $bank] = $question($name);
        $settings = $one->effective($bank, $step->settings, $section->settings, $blueprint->settings);

        return [
            'rows' => $guessing->of($one, $settings),
            'worth' => MarkingPlan::of($one, $settings)->max(),
            'sums' => $sums->of($section->id, $name, implode(' > ', $one->objective)),
        ];
    }

    /**
     * What forms may ask, by place: one way, unless a draw takes of questions that count in different sums; then each way in which it can
     * be shared out.
     *
     * @param array<int, array{int, list<Guessed>}> $guessed
     *
     * @return non-empty-list<array<int, list<GuessedStep>>>
     *
     * @throws TooManyToCount
     */
    private static function shares(Ways $ways, array $guessed): array
    {
        $all = [[]];
        foreach ($guessed as $place => [$take, $pool]) {
            $groups = [];
            foreach ($pool as $one) {
                $groups[implode(' ', $one['sums'])][] = $one;
            }
            $next = [];
            foreach (self::split(array_map(count(...), array_values($groups)), $take) as $counts) {
                $steps = array_values(
                    array_filter(
                        array_map(
                            static fn (array $group, int $n): ?GuessedStep => $n > 0 ? self::step($n, $group) : null,
                            array_values($groups),
                            $counts,
                        ),
                    ),
                );
                foreach ($all as $before) {
                    $next[] = $before + [$place => $steps];
                }
                if (count($next) > self::SHARES) {
                    throw new TooManyToCount('draws take questions of several objectives that have minimums');
                }
            }
            $all = $next === [] ? $all : $next;
        }

        return $all;
    }

    /**
     * @param list<int> $sizes
     *
     * @return \Generator<list<int>> how many of each, so that there are as many together
     */
    private static function split(array $sizes, int $take): \Generator
    {
        if ($sizes === []) {
            if ($take === 0) {
                yield [];
            }

            return;
        }
        $others = array_sum(array_slice($sizes, 1));
        for ($n = max(0, $take - $others); $n <= min($take, $sizes[0]); ++$n) {
            foreach (self::split(array_slice($sizes, 1), $take - $n) as $rest) {
                yield [$n, ...$rest];
            }
        }
    }

    /**
     * @param int<1, max> $take
     * @param non-empty-list<Guessed> $group
     */
    private static function step(int $take, array $group): GuessedStep
    {
        $worths = array_column($group, 'worth');
        usort($worths, static fn (Points $a, Points $b): int => $a->compare($b));

        return new GuessedStep($take, array_column($group, 'rows'), $worths, $group[0]['sums']);
    }

    private static function leadsByChoice(Ways $ways): bool
    {
        foreach ($ways->steps as [, $step]) {
            if ($step instanceof QuestionStep && count(Ways::written($step)) > 1) {
                return true;
            }
        }

        return false;
    }
}
