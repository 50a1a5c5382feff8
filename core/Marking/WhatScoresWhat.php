<?php

declare(strict_types=1);

namespace Zetema\Core\Marking;

use Zetema\Core\Question\Area;
use Zetema\Core\Question\EffectiveSettings;
use Zetema\Core\Question\Kinds;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Response;
use Zetema\Core\Question\ResponseSpace;

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
                'feedback' => [$chooser->facts($verdicts[0], $left), ...$chooser->texts($question, $response, $verdicts[0], 1, $left)],
            ];
        }
    }

    /** @return \Generator<int, Response> each once, the blank one last */
    public static function responses(Question $question, EffectiveSettings $settings): \Generator
    {
        $space = $question->kind->space($settings);
        $seen = [];
        $chosen = $space->sort !== ResponseSpace::NOTHING && $space->count(partial: true) <= self::ALL ? $space->all(partial: true) : self::telling($question, $space);
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
    private static function telling(Question $question, ResponseSpace $space): \Generator
    {
        $kind = $question->kind;
        yield from match (true) {
            $kind instanceof Kinds\Text => self::wordings($kind),
            $kind instanceof Kinds\Number => self::borders($kind),
            $kind instanceof Kinds\Regions => self::clicks($kind, $space),
            $kind instanceof Kinds\Gaps && $space->sort === ResponseSpace::NOTHING => self::gaps($kind),
            $kind instanceof Kinds\Order => self::swaps($space),
            default => self::some($space),
        };
    }

    /** @return \Generator<int, Response> */
    private static function wordings(Kinds\Text $kind): \Generator
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
    private static function borders(Kinds\Number $kind): \Generator
    {
        foreach ($kind->spans as $span) {
            foreach ([$span->from, $span->to] as $i => $end) {
                if ($end !== null) {
                    $step = \Brick\Math\BigRational::nd($i === 0 ? -1 : 1, 100);
                    yield Response::typed(Marker::say($end));
                    yield Response::typed(Marker::say($end->plus($step)));
                    yield Response::typed(Marker::say($end->minus($step)));
                }
            }
        }
        yield Response::typed('0');
    }

    /** @return \Generator<int, Response> */
    private static function clicks(Kinds\Regions $kind, ResponseSpace $space): \Generator
    {
        $inside = [];
        foreach ($kind->regions as $region) {
            $point = self::pointIn($region->area);
            $inside[] = [$region->isKey, $point];
            yield Response::clicking([$point]);
        }
        $keys = array_column(array_filter($inside, static fn (array $p): bool => $p[0]), 1);
        yield Response::clicking($space->sort === ResponseSpace::NOTHING ? array_slice($keys, 0, 1) : array_slice($keys, 0, $space->most));
        yield Response::clicking([[0, 0]]);
    }

    /** @return array{int, int} */
    private static function pointIn(Area $area): array
    {
        [$left, $top, $right, $bottom] = $area->box();
        $middle = [intdiv($left + $right, 2), intdiv($top + $bottom, 2)];

        return $area->contains(...$middle) ? $middle : [$area->numbers[0], $area->numbers[1]];
    }

    /** @return \Generator<int, Response> */
    private static function gaps(Kinds\Gaps $kind): \Generator
    {
        $right = [];
        foreach ($kind->gaps as $gap) {
            $right[$gap->part->id] = $gap->wordings[0]->text;
            foreach ($gap->wordings as $wording) {
                yield Response::mapping('gaps', [$gap->part->id => $wording->text]);
            }
        }
        yield Response::mapping('gaps', $right);
        yield Response::mapping('gaps', array_map(static fn (): string => 'something else', $right));
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

    /** @return \Generator<int, Response> the first of a large space */
    private static function some(ResponseSpace $space): \Generator
    {
        foreach ($space->values as $part => $values) {
            foreach ($values as $value) {
                yield Response::mapping($space->field, [$part => $value]);
            }
        }
        foreach ($space->all() as $i => $response) {
            yield $response;
            if ($i >= 500) {
                return;
            }
        }
    }
}
