<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting;

use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Settings\Setting;

/** What a candidate's page is told while the sitting runs: an allow-list. Keys, marking and others' feedback are never in it. */
final class CandidateView
{
    /**
     * @param Mentions $mentions collects what the texts told mention
     *
     * @return array<string, mixed>
     */
    public static function of(Sitting $sitting, int $now, Mentions $mentions = new Mentions()): array
    {
        return [
            'events' => $sitting->events,
            'phase' => $sitting->startedAt === null ? 'not begun' : ($sitting->isRunning() ? 'running' : 'ended'),
            'ranOut' => $sitting->ranOut,
            'now' => $now,
            'deadline' => $sitting->deadline(),
            'seconds' => $sitting->paper->rules->seconds,
            'checks' => $sitting->paper->rules->tellsAtOnce,
            'questions' => $sitting->isRunning() ? self::sheets($sitting, $mentions) : [],
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function sheets(Sitting $sitting, Mentions $mentions): array
    {
        $views = [];
        foreach ($sitting->paper->sheets as $i => $sheet) {
            $views[] = self::sheet($sitting, $sheet, $sitting->states[$i], $i + 1, $mentions);
        }

        return $views;
    }

    /** @return array<string, mixed> */
    private static function sheet(Sitting $sitting, Sheet $sheet, SheetState $state, int $n, Mentions $mentions): array
    {
        $question = $sheet->question;
        $rules = $sitting->paper->rules;
        $closed = $state->isClosed($sheet);
        $attempt = count($state->attempts) + 1;
        $answers = $sheet->shownToCandidate($rules->tellsAtOnce && $state->attempts !== []);
        $hintsOpen = array_map(static fn ($h): string => $h->text, array_slice($question->hints, 0, $state->hintsOpened));
        $attempts = $rules->tellsAtOnce ? $state->attempts : [];
        $said = array_merge(...array_map(static fn (Attempt $a): array => $a->said, $attempts));
        $mentions->inAnswers($answers);
        $mentions->inTexts($question->stem, $sheet->settings->get(Setting::How), ...$hintsOpen, ...$said);

        return [
            'n' => $n,
            'objective' => $question->objective[0] ?? null,
            'kind' => $question->kind::id()->value,
            'stem' => $question->stem,
            'how' => $sheet->settings->get(Setting::How),
            'choose' => in_array(Setting::Choose, $question->kind::id()->facts()->settings, true) ? $sheet->settings->limits() : null,
            'answers' => (object) $answers,
            'response' => $sheet->toPage($state->saved),
            'answered' => !$state->saved->isBlank(),
            'flagged' => $state->flagged,
            'closed' => $closed,
            'attempt' => $closed ? count($state->attempts) : $attempt,
            'attempts' => $rules->attempts($sheet),
            'worth' => $rules->showsWorth ? (string) $sheet->plan->max() : null,
            'graded' => $sheet->plan->counts(),
            'wrongCosts' => $rules->showsWorth && !$closed ? self::wrongCosts($sheet) : null,
            'worthNow' => $rules->showsWorth && !$closed ? (string) self::worthNow($sheet, $state) : null,
            'told' => array_map(static fn (Attempt $a): array => self::told($sheet, $a), $attempts),
            'hintsOpen' => $hintsOpen,
            'nextHint' => $closed ? null : self::nextHint($sheet, $state, $rules),
        ];
    }

    /**
     * The hint that can be opened next, now or at a later attempt. One that can never be opened here is not offered.
     *
     * @return array{costs: string, fromAttempt: int, open: bool}|null
     */
    private static function nextHint(Sheet $sheet, SheetState $state, Rules $rules): ?array
    {
        $hint = $sheet->question->hints[$state->hintsOpened] ?? null;
        $most = $rules->attempts($sheet);
        if ($hint === null || ($most !== null && $hint->fromAttempt > $most)) {
            return null;
        }

        return [
            'costs' => $sheet->plan->counts() ? Ratio::of($sheet->plan->penalties->hints[$state->hintsOpened])->inWords() : '0',
            'fromAttempt' => $hint->fromAttempt,
            'open' => count($state->attempts) + 1 >= $hint->fromAttempt,
        ];
    }

    /** What a wrong response takes off the sum; null where it takes nothing. For weighed questions it depends on what is given. */
    private static function wrongCosts(Sheet $sheet): ?string
    {
        $costs = $sheet->plan->mostLostByOneWrong();

        return $costs->isZero() ? null : (string) $costs;
    }

    /** What a right response would earn on the attempt to come, hints paid. */
    private static function worthNow(Sheet $sheet, SheetState $state): Points
    {
        $penalties = $sheet->plan->penalties;
        if (!$sheet->plan->counts()) {
            return Points::zero();
        }
        $left = $sheet->plan->max()->exact()
            ->minus($penalties->forAttempt(count($state->attempts) + 1, $sheet->plan->scoring->worth))
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
