<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Table;

use Zetema\Core\Marking\Feedback\FeedbackChooser;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Marking\Verdict;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Answers\Area;
use Zetema\Core\Question\Answers\Choice;
use Zetema\Core\Question\Answers\Wording;
use Zetema\Core\Question\Kinds;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\ResponseSpace;
use Zetema\Core\Question\Settings\EffectiveSettings;

/** The table of responses with outcome, points on each attempt, and what is said: all of them where they are few, else a telling set. */
final readonly class WhatScoresWhat
{
    public const ALL = 4_096;
    private const MOST_ATTEMPTS = 5;

    /** @return \Generator<int, array{response: Response, outcome: string, earned: list<string>, feedback: list<string>}> */
    public static function table(Question $question, EffectiveSettings $settings): \Generator
    {
        $plan = MarkingPlan::of($question, $settings);
        $attempts = min($settings->attempts() ?? self::MOST_ATTEMPTS, self::MOST_ATTEMPTS);
        $marker = new Marker();
        $chooser = new FeedbackChooser();
        foreach (self::responses($question, $settings) as $response) {
            $verdicts = array_map(static fn (int $attempt): Verdict => $marker->mark($plan, $response, $attempt), range(1, $attempts));
            $left = $settings->attempts() === null ? null : $settings->attempts() - 1;
            yield [
                'response' => $response,
                'outcome' => $verdicts[0]->outcome->value,
                'earned' => array_map(static fn (Verdict $v): string => (string) $v->earned, $verdicts),
                'feedback' => [$chooser->facts($verdicts[0], $left), ...$chooser->texts($question, $settings, $response, $verdicts[0], 1, $left)],
            ];
        }
    }

    /** @return \Generator<int, Response> each once, the blank one last */
    public static function responses(Question $question, EffectiveSettings $settings): \Generator
    {
        $space = $question->kind->space($settings);
        $seen = [];
        $listed = $space->sort !== ResponseSpace::NOTHING && !self::isTyped($question) && $space->count(partial: true) <= self::ALL;
        $chosen = $listed ? $space->all(partial: true) : self::telling($question, $settings, $space);
        foreach ($chosen as $response) {
            $key = json_encode($response->toData(), JSON_THROW_ON_ERROR);
            if (!$response->isBlank() && !isset($seen[$key])) {
                $seen[$key] = true;
                yield $response;
            }
        }
        yield Response::blank();
    }

    /** @return \Generator<int, Response> each single part, all right, all wrong, borders and near misses */
    private static function telling(Question $question, EffectiveSettings $settings, ResponseSpace $space): \Generator
    {
        $kind = $question->kind;
        yield from match (true) {
            $kind instanceof Kinds\Text\Text => self::wordings($kind),
            $kind instanceof Kinds\Number\Number => self::borders($kind),
            $kind instanceof Kinds\Regions\Regions => self::clicks($kind, $space),
            $kind instanceof Kinds\Gaps\Gaps && self::isTyped($question) => self::gaps($kind),
            $kind instanceof Kinds\Order\Order => self::swaps($space),
            $space->sort === ResponseSpace::SUBSETS => self::choices($kind->choices(), $space),
            default => self::parts($question, $settings, $space),
        };
    }

    /** @return \Generator<int, Response> */
    private static function wordings(Kinds\Text\Text $kind): \Generator
    {
        foreach ($kind->wordings as $wording) {
            yield Response::typed($wording->text);
            yield Response::typed(mb_strtoupper($wording->text));
            yield Response::typed(mb_substr($wording->text, 0, -1));
            yield Response::typed($wording->text . 's');
        }
        yield Response::typed('something else');
    }

    /** @return \Generator<int, Response> */
    private static function borders(Kinds\Number\Number $kind): \Generator
    {
        foreach ($kind->spans as $span) {
            foreach ([$span->from, $span->to] as $i => $end) {
                if ($end !== null) {
                    // One step is a unit of the last decimal as written, at most a hundredth.
                    $decimals = strlen(explode('.', Marker::say($end) . '.')[1]);
                    $step = Ratio::nd($i === 0 ? -1 : 1, 10 ** min(9, max(2, $decimals)));
                    yield Response::typed(Marker::say($end));
                    yield Response::typed(Marker::say($end->plus($step)));
                    yield Response::typed(Marker::say($end->minus($step)));
                }
            }
        }
        yield Response::typed('0');
    }

    /** @return \Generator<int, Response> */
    private static function clicks(Kinds\Regions\Regions $kind, ResponseSpace $space): \Generator
    {
        $inside = [];
        foreach ($kind->regions as $region) {
            $point = self::pointIn($region->area);
            $inside[] = [$region->isKey, $point];
            yield Response::clicking([$point]);
        }
        $keys = array_column(array_filter($inside, static fn (array $p): bool => $p[0]), 1);
        yield Response::clicking(array_slice($keys, 0, $space->most));
        yield Response::clicking([[0, 0]]);
    }

    /** @return array{int, int} */
    private static function pointIn(Area $area): array
    {
        [$left, $top, $right, $bottom] = $area->box();
        $middle = [intdiv($left + $right, 2), intdiv($top + $bottom, 2)];

        return $area->contains(...$middle) ? $middle : [$area->numbers[0], $area->numbers[1]];
    }

    /** Whether something is typed, so that the responses cannot all be listed. */
    private static function isTyped(Question $question): bool
    {
        return $question->kind instanceof Kinds\Gaps\Gaps && array_filter($question->kind->gaps, static fn (Kinds\Gaps\Gap $g): bool => $g->isTyped()) !== [];
    }

    /** @return \Generator<int, Response> each wording and entry alone, all right, all right but one, all wrong */
    private static function gaps(Kinds\Gaps\Gaps $kind): \Generator
    {
        $right = $wrong = [];
        foreach ($kind->gaps as $gap) {
            $id = $gap->part->id;
            $given = $gap->isTyped()
                ? array_map(static fn (Wording $w): string => $w->text, $gap->wordings)
                : array_map(static fn (int $n): string => (string) $n, range(1, count($gap->listed)));
            $right[$id] = $gap->isTyped() ? $given[0] : $gap->keys()[0];
            $wrong[$id] = $gap->isTyped() ? 'something else' : array_values(array_diff($given, $gap->keys()))[0] ?? '';
            foreach ($given as $value) {
                yield Response::mapping('gaps', [$id => $value]);
            }
        }
        yield Response::mapping('gaps', $right);
        foreach (array_keys($right) as $id) {
            yield Response::mapping('gaps', array_replace($right, [$id => $wrong[$id]]));
        }
        yield Response::mapping('gaps', $wrong);
    }

    /** @return \Generator<int, Response> */
    private static function swaps(ResponseSpace $space): \Generator
    {
        yield Response::ordering($space->items);
        yield Response::ordering(array_reverse($space->items));
        for ($i = 0; $i < count($space->items) - 1; ++$i) {
            $items = $space->items;
            [$items[$i], $items[$i + 1]] = [$items[$i + 1], $items[$i]];
            yield Response::ordering(array_values($items));
        }
    }

    /**
     * Each alone, all keys, all distractors, one key left out, one distractor too many; as far as so many may be chosen.
     *
     * @param list<Choice> $choices
     *
     * @return \Generator<int, Response>
     */
    private static function choices(array $choices, ResponseSpace $space): \Generator
    {
        $ids = static fn (bool $keys): array => array_values(array_map(static fn (Choice $c): int => $c->id, array_filter($choices, static fn (Choice $c): bool => $c->isKey === $keys)));
        [$right, $wrong] = [$ids(true), $ids(false)];
        $sets = array_map(static fn (int $id): array => [$id], [...$right, ...$wrong]);
        $best = array_slice($right, 0, $space->most);
        $sets[] = $best;
        $sets[] = array_slice($wrong, 0, $space->most);
        foreach ($best as $i => $id) {
            $sets[] = array_diff($best, [$id]);
            $sets[] = isset($wrong[0]) ? [...array_diff($best, [$id]), $wrong[0]] : [];
        }
        foreach ($wrong as $id) {
            $sets[] = [...$best, $id];
        }
        $sets[] = $space->items;
        foreach ($sets as $set) {
            if (count($set) >= $space->least && count($set) <= $space->most) {
                yield Response::choosing(array_values($set));
            }
        }
    }

    /** @return \Generator<int, Response> each part alone with each value; all right; one left out; all shifted by one */
    private static function parts(Question $question, EffectiveSettings $settings, ResponseSpace $space): \Generator
    {
        foreach ($space->values as $part => $values) {
            foreach ($values as $value) {
                yield Response::mapping($space->field, [$part => $value]);
            }
        }
        $right = [];
        foreach ($question->kind->scoring($settings)->criteria as $criterion) {
            $part = $criterion->find['part'] ?? null;
            $takes = is_array($criterion->find['takes'] ?? null) ? array_values(array_filter($criterion->find['takes'], is_string(...))) : [];
            $free = $space->sort === ResponseSpace::INJECTIONS ? array_values(array_diff($takes, $right)) : $takes;
            if (is_int($part) && isset($free[0])) {
                $right[$part] = $free[0];
            }
        }
        yield Response::mapping($space->field, $right);
        foreach (array_keys($right) as $part) {
            yield Response::mapping($space->field, array_diff_key($right, [$part => true]));
        }
        $values = array_values($right);
        $shifted = [...array_slice($values, 1), ...array_slice($values, 0, 1)];
        yield Response::mapping($space->field, array_combine(array_keys($right), $shifted));
    }
}
