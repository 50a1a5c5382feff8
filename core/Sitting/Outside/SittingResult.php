<?php

declare(strict_types=1);

namespace Zetema\Core\Sitting\Outside;

use Zetema\Core\Marking\Scoring\Finder;
use Zetema\Core\Question\Feedback\Outcome;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Scoring\Look;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\Paper\Screen;
use Zetema\Core\Sitting\Run\Terms;
use Zetema\Core\Sitting\Run\Totals;
use Zetema\Core\Sitting\State\At;
use Zetema\Core\Sitting\State\Mark;
use Zetema\Core\Sitting\State\Standing;
use Zetema\Core\Sitting\State\State;
use Zetema\Core\Time\Instant;

/** What a sitting has come to, as it is written down. */
final readonly class SittingResult
{
    private Totals $totals;
    private Passing $passing;

    /** @param Instant $now when it is looked at */
    public function __construct(private Paper $paper, private State $state, private Terms $terms, private Instant $now)
    {
        $this->totals = new Totals($paper, $state);
        $this->passing = new Passing($paper, $this->totals, $state->ended !== null);
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        $closed = $this->totals->closed();
        $passed = $this->passing->passed();
        $hasEnded = $this->state->ended !== null;
        $isClosed = $this->terms->until !== null && !$this->now->isBefore($this->terms->until);

        return [
            'ended' => $this->state->ended === null
                    ? null
                    : ['how' => $this->state->ended->how->value, 'at' => Moment::write($this->state->ended->at)],
            'position' => $this->position(),
            'points' => (string) $this->passing->points(),
            'max' => (string) $this->passing->max(),
            'right' => count(array_filter($closed, static fn (array $one): bool => $one[1]->outcome === Outcome::Right)),
            'asked' => count($closed),
            'percent' => $this->passing->percent(),
            'passed' => $passed,
            'objectives' => $this->objectives($closed),
            'minimums' => $this->passing->minimums(),
            'tallies' => $this->tallies(),
            'steps' => array_map($this->step(...), array_values($this->paper->questions)),
            'path' => $this->state->path,
            'routes' => $this->state->routes,
            'ran' => array_map(
                static fn (array $ran): array => ['clock' => $ran['clock'], 'at' => Moment::write($ran['at'])],
                $this->state->ran,
            ),
            'paused' => $this->state->paused($this->state->ended->at ?? $this->now)->inDecimals(),
            'closing' => $hasEnded ? $this->paper->blueprint->closing->for($passed) : null,
            'review' => $hasEnded ? $this->paper->blueprint->review->rung($passed, $isClosed)->value : null,
        ];
    }

    private function position(): ?string
    {
        $position = $this->state->position;
        $node = $this->paper->nodes[$position->node] ?? null;

        return match ($position->kind) {
            At::Node => $node instanceof Screen ? $node->id() : $node?->id,
            At::Lead => 'page ' . $position->page,
            At::Refresher => 'refresher ' . $position->page,
            At::End => 'end',
            At::Before, At::Over => null,
        };
    }

    /**
     * @param list<array{QuestionPlace, Standing}> $closed
     *
     * @return list<array{objective: string, points: string, max: string}> by the whole path
     */
    private function objectives(array $closed): array
    {
        /** @var array<array-key, array{Points, Points}> $rows */
        $rows = [];
        foreach ($closed as [$place, $standing]) {
            $path = implode(' > ', $place->question->objective);
            if ($path === '' || $place->plan->max()->isZero()) {
                continue;
            }
            [$earned, $max] = $rows[$path] ?? [Points::zero(), Points::zero()];
            $rows[$path] = [$earned->plus($standing->mark->verdict->earned), $max->plus($place->plan->max())];
        }
        ksort($rows, SORT_STRING);

        return array_map(
            static fn (int|string $path, array $sum): array => [
                'objective' => (string) $path,
                'points' => (string) $sum[0],
                'max' => (string) $sum[1],
            ],
            array_keys($rows),
            $rows,
        );
    }

    /** @return list<array{tally: string, value: string, band: string|null}> */
    private function tallies(): array
    {
        return array_map(
            static fn (array $one): array => ['tally' => $one[0]->name, 'value' => (string) $one[1], 'band' => $one[2]?->name],
            $this->totals->tallies(),
        );
    }

    /** @return array<string, mixed> */
    private function step(QuestionPlace $place): array
    {
        $visit = $this->state->visit($place->id);
        $standing = $this->totals->standing($place);
        $mark = $standing?->mark;
        $isMarked = $mark !== null && $mark->attempt > 0;

        return [
            'step' => $place->id,
            'question' => $place->name,
            'asked' => $visit->isAsked,
            'shown' => $visit->shown === null ? null : Moment::write($visit->shown),
            'closed' => $visit->closed === null ? null : Moment::write($visit->closed),
            'outcome' => $standing?->outcome->value,
            'earned' => $mark === null ? null : (string) $mark->verdict->earned,
            'max' => $mark === null ? null : (string) $mark->verdict->max,
            'response' => $isMarked && $mark->counts ? $mark->response->toData() : null,
            'round' => $isMarked ? $mark->round : null,
            'attempt' => $isMarked ? $mark->attempt : null,
            'took' => $this->state->took($place, $this->paper)?->inDecimals(),
            'hints' => $visit->hints,
            'flagged' => $visit->isFlagged,
            'attempts' => array_map(
                static fn (Mark $made): array => [
                    'at' => Moment::write($made->at),
                    'round' => $made->round,
                    'attempt' => $made->attempt,
                    'outcome' => $made->verdict->outcome->value,
                    'earned' => (string) $made->verdict->earned,
                    'response' => $made->response->toData(),
                    'counts' => $made->counts,
                    'hints' => $made->hints,
                    'lost' => (string) $made->lost,
                    'reason' => $made->reason->value,
                    ...$place->plan->scoring->look === Look::Parts
                        ? ['fits' => (new Finder())->fitting($place->plan->scoring, $made->response)]
                        : [],
                    'feedback' => $made->feedback,
                ],
                $visit->allMarks(),
            ),
        ];
    }
}
