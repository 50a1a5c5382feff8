<?php

declare(strict_types=1);

namespace Zetema\Core\Statistics;

use Zetema\Core\Drawing\Chance;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Marking\Table\WhatScoresWhat;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Sitting\Paper\QuestionPlace;

/**
 * Somebody who never was, to sit papers before anybody has: right by the two-parameter logistic, wrong by what pulls whom, quick or
 * slow log-normally. All of it follows from a seed.
 */
final class SimulatedCandidate
{
    /** Of those who are not right, where something can be partly right. */
    private const PARTLY = 0.4;
    private const BLANK = 0.03;
    /** What reading feedback adds to the ability at a further attempt. */
    private const LEARNS = 0.6;
    private const MEDIAN_SECONDS = 24.0;
    /** Of a question's own time, in the median. */
    private const HURRY = 0.5;

    public readonly float $ability;
    private readonly float $pace;
    /** @var array<string, array<string, list<Response>>> responses by outcome, by the question's name: the same for all of a crowd */
    private static array $responses = [];

    public function __construct(private readonly Chance $chance, private readonly int $seed)
    {
        $this->ability = Normal::draw($chance);
        $this->pace = exp(0.25 * Normal::draw($chance));
    }

    /** How long they take for a question; who has little time for it hurries. @param int|null $limit seconds that there are */
    public function seconds(?int $limit = null): float
    {
        $median = $limit === null ? self::MEDIAN_SECONDS : min(self::MEDIAN_SECONDS, self::HURRY * $limit);

        return max(2.0, $median * $this->pace * exp(0.45 * Normal::draw($this->chance)));
    }

    /** @return Response|null null: they leave it blank */
    public function response(QuestionPlace $place, int $attempt = 1, bool $mustAnswer = false): ?Response
    {
        if (!$mustAnswer && Normal::uniform($this->chance) < self::BLANK) {
            return null;
        }
        $all = self::$responses[$place->name] ??= self::sorted($place);
        $right = TwoParameterLogistic::ofQuestion($place->name, $this->seed)->chance($this->ability + self::LEARNS * ($attempt - 1));
        $wanted = match (true) {
            isset($all[Outcome::Recorded->value]) => Outcome::Recorded,
            Normal::uniform($this->chance) < $right => Outcome::Right,
            isset($all[Outcome::Partly->value]) && Normal::uniform($this->chance) < self::PARTLY => Outcome::Partly,
            default => Outcome::Wrong,
        };
        $fitting = $all[$wanted->value] ?? ($all[Outcome::Partly->value] ?? ($all[Outcome::Right->value] ?? []));

        return $fitting === [] ? null : $this->pulled($fitting, $place->name);
    }

    /**
     * Each response pulls by how it appeals to all, and by how it appeals to those who know little or much.
     *
     * @param non-empty-list<Response> $responses
     */
    private function pulled(array $responses, string $name): Response
    {
        $weights = [];
        foreach ($responses as $response) {
            $own = new Chance($this->seed ^ crc32($name . json_encode($response->toData(), JSON_THROW_ON_ERROR)));
            $weights[] = exp(0.8 * Normal::draw($own) - 0.7 * Normal::draw($own) * $this->ability);
        }
        $at = Normal::uniform($this->chance) * array_sum($weights);
        foreach ($weights as $i => $weight) {
            $at -= $weight;
            if ($at <= 0) {
                return $responses[$i];
            }
        }

        return $responses[count($responses) - 1];
    }

    /** @return array<string, list<Response>> */
    private static function sorted(QuestionPlace $place): array
    {
        $sorted = [];
        foreach (WhatScoresWhat::responses($place->question, $place->settings) as $i => $response) {
            if ($i >= 400) {
                break;
            }
            if (!$response->isBlank() && $place->question->kind->notYet($response, $place->settings) === null) {
                $sorted[(new Marker())->mark($place->plan, $response)->outcome->value][] = $response;
            }
        }

        return array_map(static fn (array $of): array => array_slice($of, 0, 24), $sorted);
    }
}
