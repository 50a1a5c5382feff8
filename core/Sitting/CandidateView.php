<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting;

use Brick\Math\BigRational;
use Zetema\Core\Marking\Marker;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Setting;

/** What a candidate's page is told while the sitting runs: an allow-list. Keys, marking and others' feedback are never in it. */
final class CandidateView
{
    /** @return array<string, mixed> */
    public static function of(Sitting $sitting, int $now): array
    {
        return [
            'events' => $sitting->events,
            'phase' => $sitting->startedAt === null ? 'not begun' : ($sitting->isRunning() ? 'running' : 'ended'),
            'ranOut' => $sitting->ranOut,
            'now' => $now,
            'deadline' => $sitting->deadline(),
            'seconds' => $sitting->paper->rules->seconds,
            'checks' => $sitting->paper->rules->tellsAtOnce,
            'questions' => $sitting->isRunning() ? self::sheets($sitting) : [],
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function sheets(Sitting $sitting): array
    {
        $views = [];
        foreach ($sitting->paper->sheets as $i => $sheet) {
            $views[] = self::sheet($sitting, $sheet, $sitting->states[$i], $i + 1);
        }

        return $views;
    }

    /** @return array<string, mixed> */
    private static function sheet(Sitting $sitting, Sheet $sheet, SheetState $state, int $n): array
    {
        $question = $sheet->question;
        $rules = $sitting->paper->rules;
        $closed = $state->isClosed($sheet);
        $attempt = count($state->attempts) + 1;
        $limits = $sheet->settings->limits();
        $hint = $question->hints[$state->hintsOpened] ?? null;

        return [
            'n' => $n,
            'objective' => $question->objective[0] ?? null,
            'kind' => $question->kind::id()->value,
            'stem' => $question->stem,
            'how' => $sheet->settings->get(Setting::How),
            'choose' => $question->kind::id()->value === 'several' ? $limits : null,
            'face' => (object) $sheet->face($rules->tellsAtOnce && $state->attempts !== []),
            'response' => $sheet->toPage($state->saved),
            'answered' => !$state->saved->isBlank(),
            'flagged' => $state->flagged,
            'closed' => $closed,
            'attempt' => $closed ? count($state->attempts) : $attempt,
            'attempts' => $rules->tellsAtOnce ? $sheet->settings->attempts() : 1,
            'worth' => $rules->showsWorth ? (string) $sheet->plan->max() : null,
            'worthNow' => $rules->showsWorth && !$closed ? (string) self::worthNow($sheet, $state) : null,
            'told' => $rules->tellsAtOnce ? array_map(static fn (Attempt $a): array => self::told($sheet, $a), $state->attempts) : [],
            'hintsOpen' => array_map(static fn ($h): string => $h->text, array_slice($question->hints, 0, $state->hintsOpened)),
            'nextHint' => $hint === null || $closed ? null : [
                'costs' => Marker::say(BigRational::of($sheet->plan->penalties->hints[$state->hintsOpened])),
                'fromAttempt' => $hint->fromAttempt,
                'open' => $attempt >= $hint->fromAttempt,
            ],
        ];
    }

    /** What a right response would earn on the attempt to come, hints paid. */
    private static function worthNow(Sheet $sheet, SheetState $state): Points
    {
        $penalties = $sheet->plan->penalties;
        $left = $sheet->plan->max()->exact()
            ->minus($penalties->forAttempt(count($state->attempts) + 1, $sheet->plan->measure->worth))
            ->minus($penalties->forHints($state->hintsOpened));

        return $left->isNegative() ? Points::zero() : Points::rounded($left, $penalties->decimals);
    }

    /** @return array<string, mixed> */
    private static function told(Sheet $sheet, Attempt $attempt): array
    {
        return [
            'attempt' => $attempt->number,
            'outcome' => $attempt->verdict->outcome->value,
            'earned' => (string) $attempt->verdict->earned,
            'max' => (string) $attempt->verdict->max,
            'response' => $sheet->toPage($attempt->response),
            'facts' => $attempt->facts,
            'said' => $attempt->said,
        ];
    }
}
