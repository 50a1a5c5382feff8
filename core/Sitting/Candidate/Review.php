<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Candidate;

use Zetema\Core\Blueprint\Outcome\Minimum;
use Zetema\Core\Blueprint\Outcome\Rung;
use Zetema\Core\Blueprint\Outcome\TallyTold;
use Zetema\Core\Marking\Feedback\FeedbackChooser;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Kinds\Common\OnPicture;
use Zetema\Core\Question\Mentions;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Sitting\Outside\Passing;
use Zetema\Core\Sitting\Paper\CheckpointPlace;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\Run\Totals;
use Zetema\Core\Sitting\State\Ending;
use Zetema\Core\Sitting\State\Standing;
use Zetema\Core\Sitting\State\State;

/** What is shown of an ended sitting, up to a rung of the ladder: the questions that were asked, with the marks that stand. */
final readonly class Review
{
    private Totals $totals;
    private Passing $passing;

    /** @param Mentions $mentions collects what the texts told mention */
    public function __construct(private Paper $paper, private State $state, private Mentions $mentions = new Mentions())
    {
        $this->totals = new Totals($paper, $state);
        $this->passing = new Passing($paper, $this->totals, $state->ended !== null);
    }

    public function passed(): ?bool
    {
        return $this->passing->passed();
    }

    /** Up to which rung it may be shown. @param bool $isClosed whether the assessment has closed */
    public function rung(bool $isClosed): Rung
    {
        return $this->paper->blueprint->review->rung($this->passed(), $isClosed);
    }

    /**
     * @return array<string, mixed>
     */
    public function upTo(Rung $rung, bool $allTallies = false): array
    {
        // Below the rung of passed or not, the page must not tell it either.
        $closing = $this->paper->blueprint->closing->for($rung->includes(Rung::PassedOrNot) ? $this->passed() : null);
        $this->mentions->page($closing);

        return [
            'rung' => $rung->value,
            'ranOut' => $this->state->ended?->how->isByClock() === true,
            'byStaff' => $this->state->ended?->how === Ending::ClosedByStaff,
            'seconds' => $this->seconds(),
            'closing' => $closing,
            'passed' => $rung->includes(Rung::PassedOrNot) ? $this->passed() : null,
            'total' => $rung->includes(Rung::Total) ? $this->total() : null,
            'tallies' => $rung->includes(Rung::Total) ? $this->tallies($allTallies) : [],
            'objectives' => $rung->includes(Rung::Objectives) ? $this->objectives() : [],
            'minimums' => $rung->includes(Rung::Objectives) ? $this->minimums() : [],
            'route' => $rung->includes(Rung::OwnPaper) ? $this->route() : [],
            'questions' => $rung->includes(Rung::OwnPaper) ? $this->questions($rung) : [],
        ];
    }

    /** @return array{earned: string, max: string, percent: string|null, right: int, asked: int, pass: array<string, string>|null} */
    public function total(): array
    {
        $closed = $this->totals->closed();

        return [
            'earned' => (string) $this->passing->points(),
            'max' => (string) $this->passing->max(),
            'percent' => self::percent($this->passing->points(), $this->passing->max()),
            'right' => count(array_filter($closed, static fn (array $one): bool => $one[1]->outcome === Outcome::Right)),
            'asked' => count($closed),
            'pass' => $this->paper->blueprint->pass?->mark->toData(),
        ];
    }

    /**
     * @return list<array{tally: string|null, value: int|null, band: string|null, page: string|null}> what each has come to, and what its
     *   band says; as far as it is told
     */
    private function tallies(bool $all): array
    {
        $tallies = [];
        foreach ($this->totals->tallies() as [$tally, $value, $band]) {
            if (!$all && ($tally->told === TallyTold::Never || ($tally->told === TallyTold::Band && $band === null))) {
                continue;
            }
            $isToldWhole = $all || $tally->told === TallyTold::Value;
            $this->mentions->page($band?->page);
            $tallies[] = [
                'tally' => $isToldWhole ? $tally->name : null,
                'value' => $isToldWhole ? $value : null,
                'band' => $band?->name,
                'page' => $band?->page,
            ];
        }

        return $tallies;
    }

    /** @return list<array<string, mixed>> by the top objective, in the order of the paper; graded questions only */
    private function objectives(): array
    {
        $sums = [];
        foreach ($this->totals->closed() as [$place, $standing]) {
            $name = $place->question->objective[0] ?? 'without an objective';
            $sums[$name] ??= ['earned' => Points::zero(), 'max' => Points::zero(), 'right' => 0, 'asked' => 0];
            $sums[$name]['earned'] = $sums[$name]['earned']->plus($standing->mark->verdict->earned);
            $sums[$name]['max'] = $sums[$name]['max']->plus($place->plan->max());
            $sums[$name]['right'] += $standing->outcome === Outcome::Right ? 1 : 0;
            ++$sums[$name]['asked'];
        }
        $rows = [];
        foreach ($sums as $name => $sum) {
            $earned = $sum['earned']->isNegative() ? Points::zero() : $sum['earned'];
            $rows[] = [
                'objective' => $name,
                'earned' => (string) $sum['earned'],
                'max' => (string) $sum['max'],
                'percent' => self::percent($earned, $sum['max']),
                'right' => $sum['right'],
                'asked' => $sum['asked'],
            ];
        }

        return $rows;
    }

    /**
     * @return list<array{objective: string, needs: array<string, string>, met: bool|null}> what must be reached in objectives; null:
     *   nothing graded of it was asked
     */
    private function minimums(): array
    {
        $met = array_column($this->passing->minimums(), 'met', 'objective');

        return array_map(
            static fn (Minimum $minimum): array => [
                'objective' => $minimum->objective,
                'needs' => $minimum->mark->toData(),
                'met' => $met[$minimum->objective] ?? null,
            ],
            $this->paper->blueprint->pass->minimums ?? [],
        );
    }

    /**
     * @return list<array{after: string, to: string|null}> where announced checkpoints led, by the titles of sections; null: to the end, or
     *   on to what follows
     */
    private function route(): array
    {
        $taken = array_column($this->state->routes, 'to', 'checkpoint');
        $route = [];
        foreach ($this->paper->nodes as $at => $node) {
            if (!($node instanceof CheckpointPlace) || !$node->step->isAnnounced || !isset($taken[$node->id])) {
                continue;
            }
            $to = $this->paper->sectionOf($this->paper->target($taken[$node->id], $at));
            $route[] = [
                'after' => $this->paper->sections[$node->section]->title,
                'to' => $to === null || $to === $node->section ? null : $this->paper->sections[$to]->title,
            ];
        }

        return $route;
    }

    /** @return list<array<string, mixed>> */
    private function questions(Rung $rung): array
    {
        $rows = [];
        foreach ($this->state->asked as $i => $id) {
            $rows[] = ['n' => $i + 1, ...$this->question($this->paper->questions[$id], $rung)];
        }

        return $rows;
    }

    /** @return array<string, mixed> */
    private function question(QuestionPlace $place, Rung $rung): array
    {
        $standing = $this->totals->standing($place);
        $isMarked = $rung->includes(Rung::MarkedPaper) && $standing !== null;
        $withKey = $rung->includes(Rung::WithKey);
        $given = $standing->mark->response ?? Response::blank();
        $visit = $this->state->visit($place->id);
        $page =
            $standing !== null && $standing->mark->attempt > 0
                ? $this->paper->page($place, $standing->mark->round, $standing->mark->attempt)
                : $this->paper->pageOf($place, $visit);
        $answers = $page->shown(false);
        $response = $place->question->kind->inWords($given, $withKey);
        $key = $withKey ? $place->question->kind->keyInWords() : [];
        $said = $isMarked && $withKey ? $this->said($place, $standing) : [];
        $picture = $place->question->kind instanceof OnPicture ? $place->question->kind->pictured($given, $withKey) : null;
        $this->mentions->inAnswers($answers);
        $this->mentions->inTexts($place->question->stem, ...$said, ...self::written($response), ...self::written($key));

        return [
            'objective' => $place->question->objective[0] ?? null,
            'kind' => $place->question->kind::id()->value,
            'stem' => $place->question->stem,
            'answers' => (object) $answers,
            'given' => $page->toPage($given),
            'atAnswers' => $isMarked ? AtAnswers::of($place, $page, $given, $standing->outcome, $withKey) : [],
            'response' => array_map(static fn (AnswerLine $line): array => $line->toData(), $response),
            'picture' => $picture,
            'attempts' => count($visit->allMarks()),
            'outcome' => $isMarked ? $standing->outcome->value : null,
            'earned' => $isMarked ? (string) $standing->mark->verdict->earned : null,
            'max' => $isMarked ? (string) $standing->mark->verdict->max : null,
            'working' => $isMarked ? $standing->mark->verdict->working : [],
            'graded' => $place->plan->counts(),
            'said' => $said,
            'key' => array_map(static fn (AnswerLine $line): array => $line->toData(), $key),
        ];
    }

    /** @return list<string> what the author says to the response that stands, told then or only now */
    private function said(QuestionPlace $place, Standing $standing): array
    {
        $mark = $standing->mark;
        $shown = (new FeedbackChooser())->shown(
            $place->question,
            $place->plan,
            $mark->response,
            $mark->verdict,
            max(1, $mark->attempt),
            $mark->attempt === 0 || $mark->attempt === $place->attempts,
            $mark->counts || $mark->attempt === 0,
        );

        return array_values(array_filter($shown, is_string(...)));
    }

    /** Exact, cut and not rounded up, at most two decimals; null if there is nothing to earn. */
    private static function percent(Points $earned, Points $max): ?string
    {
        return $max->isZero() ? null : (string) Points::cut($earned->exact()->multipliedBy(100)->dividedBy($max->exact()), 2);
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

    /** How long it took, in whole seconds. */
    private function seconds(): int
    {
        [$began, $ended] = [$this->state->startedAt, $this->state->ended];

        return $began === null || $ended === null ? 0 : $ended->at->since($began)->inSeconds();
    }
}
