<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Candidate;

use Zetema\Core\Blueprint\Rules\Rule;
use Zetema\Core\Question\Mentions;
use Zetema\Core\Sitting\Event\Clock;
use Zetema\Core\Sitting\Event\ClockKind;
use Zetema\Core\Sitting\Paper\CheckpointPlace;
use Zetema\Core\Sitting\Paper\PagePlace;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\Paper\Screen;
use Zetema\Core\Sitting\Run\Clocks;
use Zetema\Core\Sitting\Run\Due;
use Zetema\Core\Sitting\Run\Terms;
use Zetema\Core\Sitting\Run\Totals;
use Zetema\Core\Sitting\State\At;
use Zetema\Core\Sitting\State\MarkReason;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Sitting\State\Visit;
use Zetema\Core\Time\Instant;

/**
 * What a candidate's page is told while the sitting runs: an allow-list. Keys, marking, others' feedback, routes and what was not
 * reached are never in it. Questions are called by their number on the candidate's own path.
 */
final readonly class CandidateView
{
    private CandidateQuestion $questions;

    /** @param Mentions $mentions collects what the texts told mention */
    public function __construct(
        private Paper $paper,
        private State $state,
        private Terms $terms,
        private Mentions $mentions = new Mentions(),
    ) {
        $this->questions = new CandidateQuestion($paper, $state, $mentions);
    }

    /**
     * @return array<string, mixed>
     */
    public function toData(Instant $now): array
    {
        $running = $this->state->isRunning();
        $clocks = $running ? (new Clocks($this->paper, $this->terms))->running($this->state) : [];
        $whole = array_values(
            array_filter($clocks, static fn (Due $due): bool => in_array($due->clock->kind, [ClockKind::Whole, ClockKind::Until], true)),
        );
        $screen = $this->screen();

        return [
            'events' => $this->state->events,
            'phase' => $this->state->startedAt === null ? 'not begun' : ($running ? 'running' : 'ended'),
            'ranOut' => $this->state->ended?->how->isByClock() === true,
            'now' => $now->inMillis(),
            'deadline' => $whole === [] ? null : min(array_map(static fn (Due $due): int => $due->at->inMillis(), $whole)),
            'seconds' => $this->paper->seconds() === null ? null : $this->terms->time($this->paper->seconds())->inSeconds(),
            'clocks' => array_map(
                $this->clock(...),
                array_values(
                    array_filter(
                        $clocks,
                        static fn (Due $due): bool => !in_array($due->clock->kind, [ClockKind::Whole, ClockKind::Until], true),
                    ),
                ),
            ),
            'lapsed' => $running ? $this->lapsed($screen) : [],
            'checks' => $this->checks($screen),
            'score' => $running && $this->paper->blueprint->rules->flag(Rule::Score) ? $this->score() : null,
            'screen' => $running ? $this->told($screen) : null,
            'stretch' => $running && $this->isFree($screen) ? $this->stretch() : [],
            'questions' => $running ? array_map($this->questions->told(...), $screen?->questions() ?? []) : [],
        ];
    }

    private function screen(): ?Screen
    {
        $node = $this->paper->nodes[$this->state->position->node] ?? null;

        return $this->state->position->isAt(At::Node) && $node instanceof Screen ? $node : null;
    }

    /** Whether something can be checked here. */
    private function checks(?Screen $screen): bool
    {
        return ($screen?->questions()[0] ?? null)?->rules->tellsBeforeTheEnd() === true;
    }

    /**
     * The clocks that ran out and led to what is before the candidate now: of questions on this screen, and of the section before it.
     *
     * @return list<array{of: string, n: int|null, entered: bool, counts: bool}> entered: whether something was; counts: whether that
     *   counts, which the rules say of all alike
     */
    private function lapsed(?Screen $screen): array
    {
        $lapsed = [];
        foreach ($screen?->questions() ?? [] as $place) {
            $visit = $this->state->visit($place->id);
            $marks = $visit->marks();
            $last = $marks[count($marks) - 1] ?? null;
            if ($visit->ranOut && $visit->closed !== null && $last?->reason === MarkReason::RanOut) {
                $lapsed[] = [
                    'of' => ClockKind::Question->value,
                    'n' => $this->questions->number($place),
                    'entered' => !$last->response->isBlank(),
                    'counts' => $last->counts,
                ];
            }
        }
        $ran = $this->state->ran[count($this->state->ran) - 1] ?? null;
        $first = ($screen?->questions() ?? [])[0] ?? null;
        // Until the next step: what is on the screen came there in the moment in which the section's time was over.
        if (
            $ran !== null &&
            str_starts_with($ran['clock'], ClockKind::Section->value) &&
            ($first === null
                ? array_filter($this->state->visits(), static fn (Visit $visit): bool => $visit->shown?->isAfter($ran['at']) === true) ===
                    []
                : $this->state->visit($first->id)->shown?->is($ran['at']) === true)
        ) {
            $lapsed[] = ['of' => ClockKind::Section->value, 'n' => null, 'entered' => false, 'counts' => false];
        }

        return $lapsed;
    }

    /** @return array{earned: string, max: string} over what is closed */
    private function score(): array
    {
        [$earned, $max] = (new Totals($this->paper, $this->state))->sum();

        return ['earned' => (string) $earned, 'max' => (string) $max];
    }

    /** @return array{of: string, n: int|null, ends: int} a clock beside that of the whole, and when it runs out */
    private function clock(Due $due): array
    {
        $place = $due->clock->kind === ClockKind::Question ? $this->paper->questionNamed($due->clock->name) : null;

        return [
            'of' => $due->clock->kind->value,
            'n' => $place === null ? null : $this->questions->number($place),
            'ends' => $due->at->inMillis(),
        ];
    }

    /**
     * @return array<string, mixed> what is before the candidate: pages and questions in their order, and whether they can go on and back
     */
    private function told(?Screen $screen): array
    {
        $position = $this->state->position;
        $node = $this->paper->nodes[$position->node] ?? null;
        $section = $this->state->section === null ? '' : $this->paper->sections[$this->state->section]->title;
        $page = $position->page === '' ? [] : [$this->page($position->page)];

        return [
            'sort' => match (true) {
                $position->isAt(At::Refresher) => 'refresher',
                $position->isAt(At::End) => 'end',
                $node instanceof CheckpointPlace && $screen === null && $page === [] => 'checkpoint',
                default => 'steps',
            },
            'section' => $section === '' ? null : $section,
            'items' => $screen === null
                    ? $page
                    : array_map(
                        fn (PagePlace|QuestionPlace $place): array => $place instanceof PagePlace
                            ? $this->page($place->page)
                            : ['page' => null, 'n' => $this->questions->number($place)],
                        $screen->places,
                    ),
            'goesOn' => !$position->isAt(At::End) && !$this->isWhole($screen),
            'isFree' => $this->isFree($screen),
            'at' => $this->at(),
        ];
    }

    /**
     * @return array{n: int, of: int}|null where this is among all there is before the end; null where that depends on what is answered, or
     *   is all there is
     */
    private function at(): ?array
    {
        $of = count($this->paper->nodes);

        return $this->state->position->isAt(At::Node) && $of > 1 && $this->paper->isStraight()
            ? ['n' => $this->state->position->node + 1, 'of' => $of]
            : null;
    }

    /** Whether one can move among the questions of this screen's stretch, from the end behind it too. */
    private function isFree(?Screen $screen): bool
    {
        return $screen?->isAnyOrder === true || ($this->state->position->isAt(At::End) && $this->state->position->node >= 0);
    }

    /** @return array{page: string|null, n: int|null} */
    private function page(string $name): array
    {
        $this->mentions->page($name);

        return ['page' => $name, 'n' => null];
    }

    /** Whether all there is stands on one screen that is left by handing in. */
    private function isWhole(?Screen $screen): bool
    {
        return $screen !== null && $screen->isAnyOrder && count($this->paper->nodes) === 1;
    }

    /**
     * @return list<array{n: int, isHere: bool, isAnswered: bool, isFlagged: bool, isClosed: bool, isLeft: bool}> the questions that can be
     *   moved to, by their numbers alone
     */
    private function stretch(): array
    {
        $told = [];
        foreach ($this->paper->stretch($this->state->position->node) as $node) {
            $screen = $this->paper->nodes[$node];
            foreach ($screen instanceof Screen ? $screen->questions() : [] as $place) {
                $visit = $this->state->visit($place->id);
                $isHere = $this->state->position->isAt(At::Node) && $node === $this->state->position->node;
                $told[] = [
                    'n' => $this->questions->number($place),
                    'isHere' => $isHere,
                    'isAnswered' => !$visit->isBlank(),
                    'isFlagged' => $visit->isFlagged,
                    'isClosed' => $visit->closed !== null,
                    'isLeft' => !$isHere && $place->seconds !== null && $visit->shown !== null,
                ];
            }
        }

        return $told;
    }
}
