<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting;

use Zetema\Core\Blueprint\Outcome\Rung;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Kinds\Common\OnPicture;
use Zetema\Core\Question\Points;

/** What is shown of an ended sitting, up to a rung of the ladder. */
final class Review
{
    /**
     * @param Mentions $mentions collects what the texts told mention
     *
     * @return array<string, mixed>
     */
    public static function of(Sitting $sitting, Mentions $mentions = new Mentions()): array
    {
        $rules = $sitting->paper->rules;
        $result = Result::of($sitting);
        $rung = $result->passed === false ? $rules->whoDoesNotSees : $rules->whoPassesSees;

        return self::upTo($rung, $sitting, $result, $mentions);
    }

    /** @return array<string, mixed> */
    public static function upTo(Rung $rung, Sitting $sitting, Result $result, Mentions $mentions = new Mentions()): array
    {
        return [
            'rung' => $rung->value,
            'ranOut' => $sitting->ranOut,
            'seconds' => intdiv(($sitting->endedAt ?? 0) - ($sitting->startedAt ?? 0), 1000),
            'passed' => $rung->includes(Rung::PassedOrNot) ? $result->passed : null,
            'total' => $rung->includes(Rung::Total) ? self::total($sitting, $result) : null,
            'objectives' => $rung->includes(Rung::Objectives) ? self::objectives($sitting) : [],
            'questions' => $rung->includes(Rung::OwnPaper) ? self::questions($sitting, $rung, $mentions) : [],
        ];
    }

    /** @return array<string, mixed> */
    private static function total(Sitting $sitting, Result $result): array
    {
        return [
            'earned' => (string) $result->earned,
            'max' => (string) $result->max,
            'percent' => $result->percent,
            'right' => $result->right,
            'asked' => $result->asked,
            'pass' => $sitting->paper->pass?->toData(),
        ];
    }

    /** @return list<array<string, mixed>> by the top objective, in the order of the paper; graded questions only */
    private static function objectives(Sitting $sitting): array
    {
        $sums = [];
        foreach ($sitting->paper->sheets as $i => $sheet) {
            $name = $sheet->question->objective[0] ?? 'without an objective';
            if (!$sheet->plan->counts()) {
                continue;
            }
            $standing = $sitting->states[$i]->standing($sheet);
            $sums[$name]['earned'] = ($sums[$name]['earned'] ?? Points::zero())->plus($standing->verdict->earned ?? Points::zero());
            $sums[$name]['max'] = ($sums[$name]['max'] ?? Points::zero())->plus($sheet->plan->max());
            $sums[$name]['right'] = ($sums[$name]['right'] ?? 0) + ($standing?->verdict->outcome === Outcome::Right ? 1 : 0);
            $sums[$name]['asked'] = ($sums[$name]['asked'] ?? 0) + 1;
        }
        $rows = [];
        foreach ($sums as $name => $sum) {
            $earned = $sum['earned']->isNegative() ? Points::zero() : $sum['earned'];
            $rows[] = ['objective' => $name, 'earned' => (string) $sum['earned'], 'max' => (string) $sum['max'], 'percent' => Result::percent($earned, $sum['max']), 'right' => $sum['right'], 'asked' => $sum['asked']];
        }

        return $rows;
    }

    /** @return list<array<string, mixed>> */
    private static function questions(Sitting $sitting, Rung $rung, Mentions $mentions): array
    {
        $rows = [];
        foreach ($sitting->paper->sheets as $i => $sheet) {
            $state = $sitting->states[$i];
            $standing = $state->standing($sheet);
            $marked = $rung->includes(Rung::MarkedPaper) && $standing !== null;
            $withKey = $rung->includes(Rung::WithKey);
            $given = $standing->response ?? $state->saved;
            $response = $sheet->question->kind->inWords($given, $withKey);
            $key = $withKey ? $sheet->question->kind->keyInWords() : [];
            $said = $marked && $withKey ? $standing->said : [];
            $picture = $sheet->question->kind instanceof OnPicture ? $sheet->question->kind->pictured($given, $withKey) : null;
            $mentions->inAnswers($picture ?? []);
            $mentions->inTexts($sheet->question->stem, ...$said, ...self::written($response), ...self::written($key));
            $rows[] = [
                'n' => $i + 1,
                'objective' => $sheet->question->objective[0] ?? null,
                'kind' => $sheet->question->kind::id()->value,
                'stem' => $sheet->question->stem,
                'response' => array_map(static fn (AnswerLine $line): array => $line->toData(), $response),
                'picture' => $picture,
                'attempts' => count($state->attempts),
                'outcome' => $marked ? $standing->verdict->outcome->value : null,
                'earned' => $marked ? (string) $standing->verdict->earned : null,
                'max' => $marked ? (string) $standing->verdict->max : null,
                'working' => $marked ? $standing->verdict->working : [],
                'graded' => $sheet->plan->counts(),
                'said' => $said,
                'key' => array_map(static fn (AnswerLine $line): array => $line->toData(), $key),
            ];
        }

        return $rows;
    }

    /**
     * The lines that an author wrote; what was typed mentions nothing.
     *
     * @param list<AnswerLine> $lines
     *
     * @return list<string>
     */
    private static function written(array $lines): array
    {
        return AnswerLine::texts(array_values(array_filter($lines, static fn (AnswerLine $line): bool => !$line->typed)));
    }
}
