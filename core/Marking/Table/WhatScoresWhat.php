<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Table;

use Zetema\Core\Marking\Feedback\FeedbackChooser;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Plan\MarkingPlan;
use Zetema\Core\Marking\Verdict;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Response\Response;
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
                'feedback' => [
                    $chooser->facts($verdicts[0], $left),
                    ...$chooser->texts($question, $plan, $response, $verdicts[0], 1, $left === 0),
                ],
            ];
        }
    }

    /** @return \Generator<int, Response> each once, the blank one last */
    public static function responses(Question $question, EffectiveSettings $settings): \Generator
    {
        $space = $question->kind->space($settings);
        $seen = [];
        $listed = $question->kind->isListable() && $space->count(partial: true) <= self::ALL;
        $chosen = $listed ? $space->all(partial: true) : $question->kind->telling($settings);
        foreach ($chosen as $response) {
            $key = json_encode($response->toData(), JSON_THROW_ON_ERROR);
            if (!$response->isBlank() && !isset($seen[$key])) {
                $seen[$key] = true;
                yield $response;
            }
        }
        yield Response::blank();
    }
}
